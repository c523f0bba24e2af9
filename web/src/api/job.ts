import { useQuery, useQueryClient } from "@tanstack/react-query";
import { createContext, useContext, useSyncExternalStore } from "react";
import { api, must, type JobView, type Schemas } from "./client";
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

export type Doc = Schemas["JobDocument"];

export function currentStage(d: Doc) {
  return d.stages.reduce((a, b) => (b.ordinal > a.ordinal ? b : a));
}

export function firstStage(d: Doc) {
  return d.stages.reduce((a, b) => (b.ordinal < a.ordinal ? b : a));
}

export function begunPlan(d: Doc) {
  const now = currentStage(d);
  return d.plans.find((p) => p.toStageId === now.id);
}

export function draftPlan(d: Doc) {
  const now = currentStage(d);
  return d.plans.find((p) => p.toStageId === null && p.fromStageId === now.id);
}

/** The walk-round that speaks for a stage: the latest that decides, else the latest with readings. */
export function speaks(view: JobView, stage: string) {
  const mine = view.results.walkRounds.filter(
    (w) => w.stageId === stage && w.stations.length > 0,
  );
  return mine.findLast((w) => w.decides) ?? mine.at(-1);
}

export function heightAt(
  stance: Schemas["WalkRoundStance"] | undefined | null,
  station: string,
) {
  return (
    stance?.stations.find(
      (s) => s.station === station && s.datum === stance.datum,
    ) ?? stance?.stations.find((s) => s.station === station)
  );
}

/** What holds the vehicle up now, by the last word on it. */
export function supportNow(d: Doc) {
  return d.supports.toSorted((a, b) => a.at.localeCompare(b.at)).at(-1);
}
