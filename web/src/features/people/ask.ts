import { useState } from "react";
import { Problem } from "../../api/problem";

type Answer = { error?: unknown; response: Response };

const silent = new Problem(
  0,
  "",
  "The server does not answer. Nothing was stored; what you typed is still here.",
  [],
  null,
);

/** Asks the server for something, and keeps why it refused: at its field. */
export function useAsk() {
  const [problem, setProblem] = useState<Problem | null>(null);
  const [refused, setRefused] = useState<string[]>([]);
  const refuse = (why: Problem) => {
    setProblem(why);
    setRefused((was) => [...was, why.field]);
  };
  return {
    problem,
    /** Whether a field was refused at any time: once asked for, it stays. */
    wasRefused: (field: string) => refused.includes(field),
    /** Forgets what was refused: it is settled otherwise. */
    forget: () => {
      setProblem(null);
    },
    /** Why a field was refused. */
    at: (field: string) =>
      problem?.field === field ? problem.message : undefined,
    /** What was refused without a field of this form. */
    rest: (fields: string[]) =>
      problem && !fields.includes(problem.field) ? problem.message : null,
    /** The answer; null where it was refused. */
    ask: async <A extends Answer>(
      call: () => Promise<A>,
    ): Promise<A | null> => {
      let answer: A;
      try {
        answer = await call();
      } catch {
        setProblem(silent);
        return null;
      }
      if (!answer.response.ok) {
        refuse(Problem.of(answer.response.status, answer.error));
        return null;
      }
      setProblem(null);
      return answer;
    },
  };
}
