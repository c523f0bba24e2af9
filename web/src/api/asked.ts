/** The server cannot be reached; nobody knows whether it heard. */
export class Unreachable extends Error {
  constructor() {
    super(
      "The server cannot be reached. What you typed is still here: try again when it answers.",
    );
  }
}

let session = () => () => {};

/** Names what knows the sessions: asked as a request goes out, it says what is to be done when the server does not know any more who asked. */
export function whenSignedOut(of: () => () => void): void {
  session = of;
}

/** Asks the server. That a session ended is told wherever it shows first: not only where something was stored. */
export async function asked(
  ...request: Parameters<typeof fetch>
): Promise<Response> {
  const ended = session();
  let response: Response;
  try {
    response = await fetch(...request);
  } catch (e) {
    // What was broken off on purpose stays that.
    throw e instanceof TypeError ? new Unreachable() : e;
  }
  if (response.status === 401 && !response.url.endsWith("/api/sign-in")) {
    ended();
  }
  return response;
}
