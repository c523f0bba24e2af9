import { useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { v7 } from "uuid";
import { shop } from "../../api/job";
import { Problem } from "../../api/problem";
import { asError } from "../../shared/ProblemNote";

/** Whether somebody else changed the same instrument first. */
export const isStale = (problem: unknown): problem is Problem =>
  problem instanceof Problem && problem.field === "version";

/** Sends a command on an instrument; the register is fetched anew when it is stored. */
export function useShopSend() {
  const client = useQueryClient();
  const [problem, setProblem] = useState<Error | null>(null);
  // Perhaps it was stored and the answer was lost: the same is sent again with the same key.
  const last = useRef({ of: "", key: "" });
  const send = async (command: Parameters<typeof shop>[0]) => {
    setProblem(null);
    const of = JSON.stringify(command);
    if (last.current.of !== of) {
      last.current = { of, key: v7() };
    }
    try {
      await shop(command, last.current.key);
      last.current = { of: "", key: "" };
      await client.invalidateQueries({ queryKey: ["instruments"] });
      return true;
    } catch (e) {
      if (isStale(e)) {
        // What the other one left is shown beside what is typed here.
        await client.invalidateQueries({ queryKey: ["instruments"] });
      }
      setProblem(asError(e));
      return false;
    }
  };
  const forget = () => {
    setProblem(null);
  };
  return { send, problem, forget };
}
