import { useEffect, useRef, useState } from "react";
import { asked, Unreachable } from "../../api/asked";
import type { Schemas } from "../../api/client";
import { Problem } from "../../api/problem";
import { asError } from "../../shared/ProblemNote";
import { readLines } from "./lines";

export type Rules = Required<Omit<Schemas["Find"], "fromStageId">>;
type Line = Schemas["FindingLine"];

export interface Findings {
  cannot: string | null;
  leftOut: Schemas["LeftOut"][];
  combinations: number;
  found: Schemas["FoundView"][];
  rejected: Schemas["FoundView"][];
  best: Schemas["FoundView"] | null;
  looked: number;
  seconds: number | null;
  endedEarly: boolean;
}

export const none: Findings = {
  cannot: null,
  leftOut: [],
  combinations: 0,
  found: [],
  rejected: [],
  best: null,
  looked: 0,
  seconds: null,
  endedEarly: false,
};

/** What is known after one more line of a search. */
export function after(so: Findings, line: Line): Findings {
  return {
    cannot: line.cannot ?? so.cannot,
    leftOut: line.leftOut ?? so.leftOut,
    combinations: line.combinations ?? so.combinations,
    found: line.found ? [...so.found, line.found] : so.found,
    rejected: line.rejected ? [...so.rejected, line.rejected] : so.rejected,
    best: line.best ?? so.best,
    looked: line.looked ?? so.looked,
    seconds: line.seconds ?? so.seconds,
    endedEarly: line.stopped ?? so.endedEarly,
  };
}

/** A search that runs on the server: what it found so far, and how to start and stop it. */
export function useFinding(job: string) {
  const [findings, setFindings] = useState<Findings | null>(null);
  const [running, setRunning] = useState(false);
  const [problem, setProblem] = useState<Error | null>(null);
  const abort = useRef<AbortController | null>(null);
  useEffect(() => () => abort.current?.abort(), []);

  const start = async (fromStageId: string, rules: Rules) => {
    abort.current?.abort();
    const mine = new AbortController();
    abort.current = mine;
    setProblem(null);
    setFindings(none);
    setRunning(true);
    try {
      const answer = await asked(`/api/jobs/${job}/stacks`, {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: JSON.stringify({ fromStageId, ...rules }),
        signal: mine.signal,
      });
      if (!answer.ok || !answer.body) {
        throw Problem.of(
          answer.status,
          await answer.json().catch(() => undefined),
        );
      }
      for await (const line of readLines<Line>(answer.body)) {
        setFindings((so) => after(so ?? none, line));
      }
    } catch (e) {
      if (!mine.signal.aborted) {
        // The line may go while stacks still come.
        setProblem(e instanceof TypeError ? new Unreachable() : asError(e));
      }
    } finally {
      if (abort.current === mine) {
        setRunning(false);
      }
    }
  };

  return {
    findings,
    running,
    problem,
    start,
    stop: () => {
      abort.current?.abort();
      setRunning(false);
      setFindings((so) => so && { ...so, endedEarly: true });
    },
  };
}
