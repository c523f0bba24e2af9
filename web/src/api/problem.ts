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
    /** What else was typed that cannot be taken. */
    readonly also: readonly Schemas["FieldRefusal"][] = [],
  ) {
    super(message);
  }

  /** What is said of a field; null where nothing is. */
  says(field: string): string | null {
    return field === this.field
      ? this.message
      : (this.also.find((f) => f.field === field)?.message ?? null);
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
          r.also,
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
      null,
      null,
      Array.isArray(b.also) ? (b.also as Schemas["FieldRefusal"][]) : [],
    );
  }
}
