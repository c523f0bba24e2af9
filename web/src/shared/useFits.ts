import { useQuery } from "@tanstack/react-query";
import { api, must, type Schemas } from "../api/client";
import { currentStage, draftPlan } from "../api/document";
import { remembered, useJob } from "../api/job";

/** Whether parts of the shelf fit the job's vehicle as it stands; without a network, as this device saw it last. Null of a part of which nobody noted anything, undefined until it is known. */
export function useFits() {
  const view = useJob();
  const { job, vehicle } = view.document;
  const fits = useQuery({
    // Another shelf, another vehicle, another suspension: asked anew.
    queryKey: [
      "parts",
      "fits",
      job.id,
      view.versions[vehicle.id],
      currentStage(view.document).id,
      view.versions[draftPlan(view.document)?.id ?? ""],
    ],
    queryFn: () =>
      remembered(`fits ${job.id}`, async () =>
        must(
          await api.GET("/api/jobs/{job}/fits", {
            params: { path: { job: job.id } },
          }),
        ),
      ),
  });
  const of = fits.data && new Map(fits.data.map((f) => [f.partId, f]));
  return (part: Schemas["Part"], axle: "front" | "rear") =>
    of && (of.get(part.id)?.[axle] ?? null);
}
