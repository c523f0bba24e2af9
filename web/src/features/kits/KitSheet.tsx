import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import type { Schemas } from "../../api/client";

/** What a kit's sheet says, with its source: warnings are seen at once, steps and torques when they are asked for. */
export function KitSheet({ sheet }: { sheet: Schemas["KitSheet"] }) {
  const lines = (text: string | null) =>
    (text ?? "").split("\n").filter((l) => l.trim() !== "");
  const steps = lines(sheet.steps);
  const torques = lines(sheet.torques);
  return (
    <Box sx={{ my: 0.5 }}>
      {lines(sheet.warnings).map((w) => (
        <Typography key={w} sx={{ color: "warning.main", fontWeight: 700 }}>
          ▲ {w}
        </Typography>
      ))}
      {steps.length + torques.length > 0 && (
        <details>
          <Box
            component="summary"
            sx={{ cursor: "pointer", fontWeight: 600, minHeight: 48, pt: 1.5 }}
          >
            Its sheet, step by step
          </Box>
          <Box component="ol" sx={{ my: 0, pl: 3 }}>
            {steps.map((s) => (
              <li key={s}>{s}</li>
            ))}
          </Box>
          {torques.map((t) => (
            <div key={t}>{t}</div>
          ))}
        </details>
      )}
      <Typography color="text.secondary" sx={{ fontSize: "0.88rem" }}>
        As the shop typed it from: {sheet.source}.
      </Typography>
    </Box>
  );
}
