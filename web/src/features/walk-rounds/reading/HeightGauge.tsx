import Box from "@mui/material/Box";
import type { Schemas } from "../../../api/client";
import { useJob } from "../../../api/job";
import type { InstrumentLine } from "../../../api/stream";
import { Length } from "../../../shared/Length";
import { LiveLine } from "../../../shared/LiveLine";
import { useInstrument } from "../../../shared/useInstrument";

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
    <LiveLine
      label="Height gauge"
      line={line}
      digits={1}
      says={(l) =>
        l.state === "steady" ? "● Steady: Enter stores it." : "○ Still moving…"
      }
      beside={(l) => (
        <Box
          component="span"
          sx={{ color: "text.secondary", fontSize: "1rem", ml: 1 }}
        >
          <Length mm={l.value} /> · {l.serial}
        </Box>
      )}
    />
  );
}
