import type { components } from "./schema";

type TapeChoice = components["schemas"]["TapeChoice"];

/** What the server says when it refuses: the field, the sentence and, for a question, its choices. */
export class Problem extends Error {
  constructor(
    readonly status: number,
    readonly field: string,
    message: string,
    readonly choices: TapeChoice[],
    readonly theirs: unknown,
  ) {
    super(message);
  }

  static of(status: number, body: unknown): Problem {
    const b = (typeof body === "object" && body !== null ? body : {}) as Record<
      string,
      unknown
    >;
    return new Problem(
      status,
      typeof b.field === "string" ? b.field : "",
      typeof b.detail === "string"
        ? b.detail
        : status === 401
          ? "You are signed out. Sign in again; what you typed is kept."
          : "The server refused this without saying why.",
      Array.isArray(b.choices) ? (b.choices as TapeChoice[]) : [],
      b.theirs,
    );
  }
}
