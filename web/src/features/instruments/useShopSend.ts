import { useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { v7 } from "uuid";
import { shop } from "../../api/job";
import { asError } from "../../shared/ProblemNote";

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
      setProblem(asError(e));
      return false;
    }
  };
  return { send, problem };
}
