import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { shop } from "../../api/job";
import { asError } from "../../shared/ProblemNote";

/** Sends a command on an instrument; the register is fetched anew when it is stored. */
export function useShopSend() {
  const client = useQueryClient();
  const [problem, setProblem] = useState<Error | null>(null);
  const send = async (command: Parameters<typeof shop>[0]) => {
    setProblem(null);
    try {
      await shop(command);
      await client.invalidateQueries({ queryKey: ["instruments"] });
      return true;
    } catch (e) {
      setProblem(asError(e));
      return false;
    }
  };
  return { send, problem };
}
