import { useState } from "react";
import { v7 } from "uuid";
import type { Schemas } from "../../api/client";
import { useSend } from "../../api/job";
import { asError } from "../../shared/ProblemNote";

/** What somebody said that a check found. */
export interface CheckNote {
  check: Pick<Schemas["CauseCheck"], "kind" | "where">;
  /** The cause in words. */
  said: string;
  wasIt: boolean;
  note: string;
}

export type CheckNotes = ReturnType<typeof useCheckNotes>;

/** The outcome on these readings. */
export const outcomeOf = (
  all: Schemas["CheckedCause"][],
  check: CheckNote["check"],
  round: string,
) =>
  all.find(
    (c) =>
      c.kind === check.kind &&
      c.where === check.where &&
      c.walkRoundId === round,
  );

/** Notes what checks of one round found. What was said last, and what stands against it, outlives the line on which it was said: an outcome moves the lines. */
export function useCheckNotes(round: string) {
  const send = useSend();
  const [last, setLast] = useState<CheckNote | null>(null);
  const [problem, setProblem] = useState<Error | null>(null);
  return {
    round,
    last,
    problem,
    drop: () => {
      setProblem(null);
    },
    /** Sends it; whether it is stored, or kept here until the server has it. */
    put: async (said: CheckNote, instead: string | null) => {
      setProblem(null);
      setLast(said);
      try {
        await send(
          {
            kind: "noteCheck",
            id: v7(),
            walkRoundId: round,
            cause: said.check.kind,
            where: said.check.where,
            wasIt: said.wasIt,
            note: said.note.trim() || null,
            instead,
          },
          "what the check found",
        );
        return true;
      } catch (e) {
        setProblem(asError(e));
        return false;
      }
    },
  };
}
