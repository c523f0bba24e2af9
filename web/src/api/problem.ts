import type { Schemas } from "./client";

type TapeChoice = Schemas["TapeChoice"];

const statusOf: Record<Schemas["RefusalKind"], number> = {
  badValue: 422,
  gate: 409,
  gone: 404,
  conflict: 409,
};

/** What the server says when it refuses: the field, the sentence and, for a question, its choices. */
export class Problem extends Error {
  constructor(
    readonly status: number,
    readonly field: string,
    message: string,
    readonly choices: TapeChoice[],
    /** The same thing as somebody else left it. */
    readonly theirs: unknown,
    /** Who was first. */
    readonly by: string | null = null,
    readonly at: string | null = null,
  ) {
    super(message);
  }

  /** Whether somebody else changed the same thing first. */
  get isConflict(): boolean {
    return this.theirs !== undefined && this.theirs !== null;
  }

  /** Why a command was refused; null when it was not. */
  static ofOutcome(outcome: Schemas["Outcome"] | undefined): Problem | null {
    if (!outcome) {
      return new Problem(500, "", "The server did not answer this.", [], null);
    }
    const r = outcome.refusal;
    return outcome.status === "refused" && r
      ? new Problem(
          statusOf[r.kind],
          r.field,
          r.message,
          r.choices,
          r.theirs,
          outcome.by,
          outcome.at,
        )
      : null;
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
