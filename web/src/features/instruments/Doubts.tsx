import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { Link } from "react-router";
import { useJob } from "../../api/job";
import { markText } from "../../shared/instruments";
import { useUnit } from "../../shared/Length";

/** What is doubted of the instruments with which this job was read; nothing where nothing is. */
export function Doubts() {
  const { results } = useJob();
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
            {m.restsOn.length === 1
              ? "One reading or torque."
              : `${m.restsOn.length.toString()} readings and torques.`}
          </Typography>
        </Typography>
      ))}
      <Link to="/instruments">Tapes and gauges</Link>
    </Box>
  );
}
