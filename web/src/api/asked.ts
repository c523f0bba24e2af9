let ended = () => {};

/** Says what is to be done when the server does not know any more who asks. */
export function whenSignedOut(then: () => void): void {
  ended = then;
}

/** Asks the server. That a session ended is told wherever it shows first: not only where something was stored. */
export async function asked(
  ...request: Parameters<typeof fetch>
): Promise<Response> {
  const response = await fetch(...request);
  if (response.status === 401 && !response.url.endsWith("/api/sign-in")) {
    ended();
  }
  return response;
}
