import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useJob, useSend } from "../../api/job";
import { asError, ProblemNote } from "../../shared/ProblemNote";
import { Surely } from "../../shared/Surely";

/** Throws a walk-round of this job away, with its readings; the history brings it back for 90 days. */
export function ThrowRoundAway({ round }: { round: Schemas["WalkRound"] }) {
  const { document: d, versions } = useJob();
  const send = useSend();
  const [problem, setProblem] = useState<Error | null>(null);
  const reads = d.readings.filter((r) => r.walkRoundId === round.id).length;
  if (round.jobId !== d.job.id || d.job.handedOverAt !== null) {
    return null;
  }
  return (
    <>
      <Surely
        says="Throw this round away"
        sure={`${reads === 1 ? "One reading" : `${reads.toString()} readings`} into the bin for 90 days: yes`}
        act={async () => {
          setProblem(null);
          try {
            await send(
              {
                kind: "binWalkRound",
                id: round.id,
                version: versions[round.id] ?? 0,
              },
              "throwing the round away",
            );
          } catch (e) {
            setProblem(asError(e));
          }
        }}
      />
      <ProblemNote problem={problem} />
    </>
  );
}
