import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { Link } from "react-router";
import { useJob } from "../../api/job";
import { markText } from "../../shared/instruments";
import { useUnit } from "../../shared/Length";

const counted = (n: number, what: string) =>
  n === 0 ? "" : n === 1 ? `One ${what}. ` : `${n.toString()} ${what}s. `;

/** What is doubted of the instruments with which this job was read; nothing where nothing is. */
export function Doubts() {
  const { results, document: d } = useJob();
  const unit = useUnit();
  if (results.instruments.length === 0) {
    return null;
  }
  return (
    <Box
      component="section"
      aria-label="Doubted instruments"
      sx={{ borderLeft: 4, borderColor: "warning.main", pl: 1.5, my: 1 }}
    >
      {results.instruments.map((m) => (
        <Typography
          key={`${m.instrumentId} ${m.doubt} ${m.on}`}
          color={m.doubt === "overdue" ? undefined : "warning.main"}
        >
          ▲ {markText(m, unit)}{" "}
          <Typography component="span" color="text.secondary">
            {counted(
              m.restsOn.filter((id) => d.readings.some((r) => r.id === id))
                .length,
              "reading",
            )}
            {counted(
              m.restsOn.filter((id) => d.torqueEntries.some((t) => t.id === id))
                .length,
              "torque",
            )}
          </Typography>
        </Typography>
      ))}
      <Link to="/instruments">Tapes and gauges</Link>
    </Box>
  );
}
