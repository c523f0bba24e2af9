import { useQuery, useQueryClient } from "@tanstack/react-query";
import { createContext, useContext, useSyncExternalStore } from "react";
import { api, must, type JobView } from "./client";
import { Outbox, type Outcome } from "./outbox";

export const outbox = new Outbox(window.localStorage);

export function useOutbox() {
  return useSyncExternalStore(outbox.watch, outbox.snapshot);
}

export function useMe() {
  return useQuery({
    queryKey: ["me"],
    queryFn: async () => must(await api.GET("/api/me")),
    retry: false,
    staleTime: Infinity,
  });
}

export function useJobQuery(job: string) {
  return useQuery({
    queryKey: ["job", job],
    queryFn: async () =>
      must(await api.GET("/api/jobs/{job}", { params: { path: { job } } })),
  });
}

/** Puts every stored job into the cache, whoever stored it. */
export function useStoredJobs() {
  const client = useQueryClient();
  outbox.onStored = (view) => {
    client.setQueryData(["job", view.document.job.id], view);
    void client.invalidateQueries({ queryKey: ["yard"] });
    void client.invalidateQueries({ queryKey: ["parts"] });
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
