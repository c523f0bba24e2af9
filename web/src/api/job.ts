import { useQuery, useQueryClient } from "@tanstack/react-query";
import {
  createContext,
  useContext,
  useState,
  useSyncExternalStore,
} from "react";
import { api, must, type JobView } from "./client";
import { device } from "./device";
import { Outbox, type Outcome } from "./outbox";
import { Problem } from "./problem";

export const outbox = new Outbox(device);
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
    queryFn: () => remembered("me", async () => must(await api.GET("/api/me"))),
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

/** Puts every stored job into the cache, whoever stored it. */
export function useStoredJobs() {
  const client = useQueryClient();
  outbox.onStored = (view) => {
    const id = view.document.job.id;
    client.setQueryData(["job", id], view);
    void device.remember(`job ${id}`, view).catch(() => undefined);
    void client.invalidateQueries({ queryKey: ["yard"] });
    void client.invalidateQueries({ queryKey: ["parts"] });
    void client.invalidateQueries({ queryKey: ["history", id] });
    void client.invalidateQueries({ queryKey: ["comparison", id] });
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
  const [version, setVersion] = useState(useJob().versions[id]);
  return {
    version,
    see: (view: JobView) => {
      setVersion(view.versions[id]);
    },
    /** After a save of one's own. */
    saved: (outcome: Outcome) => {
      if ("stored" in outcome) {
        setVersion(outcome.stored.versions[id]);
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

/** Sends a change of this job. */
export function useSend() {
  const job = useJob().document.job.id;
  return (
    method: "POST" | "PUT",
    path: string,
    body: Record<string, unknown>,
    says: string,
  ): Promise<Outcome> =>
    outbox.post({ job, method, path: `/api/jobs/${job}${path}`, body, says });
}
