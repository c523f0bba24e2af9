import { useQuery } from "@tanstack/react-query";
import { api, must } from "../../api/client";
import { remembered, useJob } from "../../api/job";

/** Where this device is, for days on papers. */
export const zone = () => Intl.DateTimeFormat().resolvedOptions().timeZone;

/** The papers of the job of the page, anew with each of its versions; without a network those that this device saw last. */
export function usePapers() {
  const { document, version } = useJob();
  const job = document.job.id;
  return useQuery({
    queryKey: ["papers", job, version],
    // Until the next version is there the last one stands, but never another job's.
    placeholderData: (last, query) =>
      query?.queryKey[1] === job ? last : undefined,
    queryFn: () =>
      remembered(`papers ${job}`, async () =>
        must(
          await api.GET("/api/jobs/{job}/papers", {
            params: { path: { job }, query: { zone: zone() } },
          }),
        ),
      ),
  });
}
