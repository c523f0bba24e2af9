import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import type { Schemas } from "../../api/client";
import { useJob } from "../../api/job";
import type { InstrumentLine } from "../../api/live";
import { Length } from "../../shared/Length";
import { useInstrument } from "../../shared/useInstrument";

/** The live value of the height gauge at this station. Enter stores it while nothing is typed. */
export function HeightGauge({
  round,
  station,
  from,
  onLine,
}: {
  round: string;
  station: string;
  from: Schemas["Datum"];
  onLine: (line: InstrumentLine) => void;
}) {
  const job = useJob().document.job.id;
  const line = useInstrument(
    `/api/jobs/${job}/bay/height-gauge?${new URLSearchParams({
      walkRound: round,
      place: station,
      from,
    }).toString()}`,
    `height.${from}`,
    station,
    onLine,
  );
  return (
    <Box
      sx={{ border: 1.5, borderColor: "divider", p: 1, mt: 1 }}
      role="status"
      aria-label="Height gauge"
    >
      {line ? (
        <>
          <Typography sx={{ fontSize: "1.6rem", fontWeight: 700 }}>
            {line.value.toFixed(1)} mm{" "}
            <Box
              component="span"
              sx={{ color: "text.secondary", fontSize: "1rem" }}
            >
              <Length mm={line.value} /> · {line.serial}
            </Box>
          </Typography>
          <Typography color="text.secondary">
            {line.state === "steady"
              ? "● Steady: Enter stores it."
              : "○ Still moving…"}
          </Typography>
        </>
      ) : (
        <Typography color="text.secondary">
          ○ Waiting for the gauge. It needs the server.
        </Typography>
      )}
    </Box>
  );
}
