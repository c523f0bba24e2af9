import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import type { Schemas } from "../../api/client";
import { useJob } from "../../api/job";

/** At a closing step: the photographs that were taken when it was marked and opened. */
export function MarksMade({ step }: { step: Schemas["CardStep"] }) {
  const view = useJob();
  if (step.pass === null) {
    return null;
  }
  const closes = new Set(step.joints);
  const opened = view.card.steps.filter(
    (s) =>
      s.key !== step.key &&
      (s.opens.some((p) => closes.has(p)) ||
        s.loosens.some((p) => closes.has(p)) ||
        // What was marked before undoing has no joints: it is of this place.
        (s.key.endsWith("/mark") && s.where === step.where)),
  );
  const made = opened.flatMap((s) =>
    view.document.attachments
      .filter((a) => a.of === `mark:${s.key}`)
      .map((a) => ({ photo: a, step: s })),
  );
  if (made.length === 0) {
    return null;
  }
  return (
    <Box sx={{ my: 1 }}>
      <Typography sx={{ fontWeight: 650 }}>As it was marked</Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}>
        {made.map(({ photo, step: s }) => (
          <figure key={photo.id} style={{ margin: 0 }}>
            <a href={`/api/files/${photo.sha256}`} target="_blank">
              <img
                src={`/api/files/${photo.sha256}`}
                alt={photo.caption ?? `Mark at ${s.title}`}
                style={{ height: 96, border: "1px solid", display: "block" }}
              />
            </a>
            <figcaption style={{ fontSize: "0.85rem" }}>{s.title}</figcaption>
          </figure>
        ))}
      </Box>
    </Box>
  );
}
