import { useQuery } from "@tanstack/react-query";
import { api, must, type Schemas } from "../../api/client";
import { remembered, useJob } from "../../api/job";

/** What earlier vehicles of the platform offer to this job: specs, fasteners and times. */
export function useEarlier(): Schemas["Earlier"] {
  const d = useJob().document;
  const job = d.job.id;
  // A spec that was kept here is no offer any more; a longer card asks again.
  const specs = d.joints.filter((j) => j.spec !== null).length;
  const { data } = useQuery({
    queryKey: ["earlier", job, d.joints.length, specs],
    queryFn: () =>
      remembered(`earlier ${job}`, async () =>
        must(
          await api.GET("/api/jobs/{job}/fitting/earlier", {
            params: { path: { job } },
          }),
        ),
      ),
    placeholderData: (before) => before,
    staleTime: 300_000,
  });
  return data ?? { joints: [], times: [] };
}

/** The ways that make a difference to this job's card; asked for when somebody wants to see them. */
export function useWays(wanted: boolean) {
  const d = useJob().document;
  const job = d.job.id;
  return useQuery({
    queryKey: ["ways", job, d.schools.length, d.plans.length],
    queryFn: () =>
      remembered(`ways ${job}`, async () =>
        must(
          await api.GET("/api/jobs/{job}/fitting/ways", {
            params: { path: { job } },
          }),
        ),
      ),
    enabled: wanted,
    placeholderData: (before) => before,
  });
}

/** How the shop fits: its ways, its torque band, its tips. */
export function useShopFits() {
  return useQuery({
    queryKey: ["shop-fits"],
    queryFn: () =>
      remembered("shop-fits", async () =>
        must(await api.GET("/api/fitting/ways")),
      ),
    staleTime: 60_000,
  });
}

/** How long a step took before, as said. */
export function timeText(t: Schemas["StepTime"]): string {
  const round = (m: number) => Math.round(m).toString();
  return t.times === 1
    ? `once before ${round(t.usual)} min`
    : `before ${round(t.least)} to ${round(t.most)} min, mostly ${round(t.usual)}`;
}
