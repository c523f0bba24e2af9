import { useQuery, useQueryClient } from "@tanstack/react-query";
import {
  createContext,
  useContext,
  useEffect,
  useRef,
  useState,
  useSyncExternalStore,
} from "react";
import { whenSignedOut } from "./asked";
import { api, must, type JobView } from "./client";
import { v7 } from "uuid";
import { after } from "./answer";
import type { NewCommand, NewShopCommand } from "./command";
import { device } from "./device";
import { Outbox, type Outcome } from "./outbox";
import { practice } from "./practice";
import { Problem } from "./problem";
import { writeDatesIn } from "../shared/time";

export const outbox = new Outbox(device);
whenSignedOut(outbox.session);
window.addEventListener("online", () => {
  outbox.wake();
});

export function useOutbox() {
  return useSyncExternalStore(outbox.watch, outbox.snapshot);
}

/** Asks the server; when it cannot be reached, answers with what this device saw last. */
export async function remembered<T>(
  key: string,
  ask: () => Promise<T>,
): Promise<T> {
  // What lies on a practice shelf is not what lies on the shop's.
  key = practice === null ? key : `${practice} ${key}`;
  try {
    const answer = await ask();
    void device.remember(key, answer).catch(() => undefined);
    return answer;
  } catch (e) {
    if (e instanceof Problem && e.status < 500) {
      throw e;
    }
    const seen = await device.recall(key).catch(() => undefined);
    if (seen === undefined) {
      throw e;
    }
    return seen as T;
  }
}

export function useMe() {
  return useQuery({
    queryKey: ["me"],
    queryFn: async () => {
      const me = await remembered("me", async () =>
        must(await api.GET("/api/me")),
      );
      // What a device kept before there were settings has none.
      const { settings } = me as Partial<typeof me>;
      if (settings) {
        writeDatesIn(settings.dates);
      }
      return me;
    },
    retry: false,
    staleTime: Infinity,
  });
}

export function useJobQuery(job: string) {
  return useQuery({
    queryKey: ["job", job],
    queryFn: () =>
      remembered(`job ${job}`, async () =>
        must(await api.GET("/api/jobs/{job}", { params: { path: { job } } })),
      ),
  });
}

/** Puts every answer into the cache, whoever sent the change. */
export function useAnswers() {
  const client = useQueryClient();
  outbox.onAnswer = (job, answer) => {
    const seen = client.getQueryData<JobView>(["job", job]);
    const next = seen ? after(seen, answer) : null;
    if (next) {
      client.setQueryData(["job", job], next);
      void device
        .remember(
          practice === null ? `job ${job}` : `${practice} job ${job}`,
          next,
        )
        .catch(() => undefined);
    } else {
      void client.invalidateQueries({ queryKey: ["job", job] });
    }
    void client.invalidateQueries({ queryKey: ["yard"] });
    void client.invalidateQueries({ queryKey: ["week"] });
    // Pieces leave the shelf, or come back to it, where a stage is opened or taken back.
    if (answer.rows.some((row) => row.list === "stages")) {
      void client.invalidateQueries({ queryKey: ["parts"] });
    }
    void client.invalidateQueries({ queryKey: ["history", job] });
    void client.invalidateQueries({ queryKey: ["comparison", job] });
  };
}

const JobContext = createContext<JobView | null>(null);
export const JobProvider = JobContext.Provider;

/** The job of the page. */
export function useJob(): JobView {
  const job = useContext(JobContext);
  if (!job) {
    throw new Error("useJob outside a job");
  }
  return job;
}

/**
 * The version of a row from which a form was filled. What others store meanwhile is heard of at once,
 * but a form that was filled before must not overwrite it unseen.
 */
export function useSeenVersion(id: string) {
  const [version, setVersion] = useState(useJob().versions[id] ?? 0);
  return {
    version,
    see: (view: JobView) => {
      setVersion(view.versions[id] ?? 0);
    },
    /** After a save of one's own. */
    saved: (outcome: Outcome) => {
      if ("stored" in outcome) {
        const stored = outcome.stored.versions[id];
        setVersion((now) => stored ?? now);
      }
    },
  };
}

/** Fetches this job anew, after somebody else changed it. */
export function useRefreshJob() {
  const client = useQueryClient();
  const job = useJob().document.job.id;
  return async (): Promise<JobView> => {
    const fresh = must(
      await api.GET("/api/jobs/{job}", { params: { path: { job } } }),
    );
    client.setQueryData(["job", job], fresh);
    return fresh;
  };
}

/** Whether this is on the page still: who sends a change and goes away by it, or goes on before the answer, does not hear that it was refused. */
export function useThere(): () => boolean {
  const there = useRef(true);
  useEffect(() => {
    there.current = true;
    return () => {
      there.current = false;
    };
  }, []);
  return () => there.current;
}

/** Sends a change of this job: stored, waiting, or refused. */
export type Send = (command: NewCommand, says: string) => Promise<Outcome>;

/** Sends changes of this job. What is refused when this is not on the page any more is told at its top: what shows at once what it changes, and goes away by it, gets this from above. */
export function useSend(): Send {
  const job = useJob().document.job.id;
  const there = useThere();
  return (command, says) => outbox.post({ job, command, says }, there);
}

/** Carries out a command on the shop at once; it is not kept for later. The same key twice is done once. */
export async function shop(
  command: NewShopCommand,
  key: string = v7(),
): Promise<void> {
  const answer = must(
    await api.POST("/api/commands", {
      body: [{ ...command, commandId: key }],
    }),
  );
  const problem = Problem.ofOutcome(answer.outcomes[0]);
  if (problem) {
    throw problem;
  }
}
