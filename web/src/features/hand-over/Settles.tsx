import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useJob } from "../../api/job";
import { ResultLength, useUnit } from "../../shared/Length";
import { dayAndTime } from "../../shared/time";
import { kmPerMile } from "./due";

/** By how much it came down since it was first read after its work, round by round, and whether it has settled. */
export function Settles() {
  const { settling } = useJob().results;
  const miles = useUnit() === "in";
  if (!settling) {
    return null;
  }
  const far = (km: number) =>
    miles
      ? `${Math.round(km / kmPerMile).toLocaleString("en")} mi`
      : `${Math.round(km).toLocaleString("en")} km`;
  return (
    <Box component="section" aria-label="How it settles" sx={{ mt: 2 }}>
      <Typography variant="h2">How it settles</Typography>
      <Typography sx={{ fontWeight: 650 }}>
        {settling.settled === null
          ? "○ Cannot be told yet: read it again after a night, better after 50 miles (80 km)."
          : settling.settled
            ? "● It has settled: the last readings differ by no more than the tape can show."
            : "▲ It is still moving: read it again after the next 100 miles (160 km)."}
      </Typography>
      <Box component="ul" sx={{ pl: 2.5, my: 0.5 }}>
        {settling.since.map((s) => (
          <li key={s.walkRoundId}>
            {dayAndTime(s.at)}
            {s.km !== null && `, after ${far(s.km)}`}: front{" "}
            <ResultLength result={s.front} signed />, rear{" "}
            <ResultLength result={s.rear} signed />
            {s.foretold.map((f) => (
              <Box
                key={f.axle}
                component="span"
                sx={{ color: "text.secondary" }}
              >
                ; such springs, {f.axle}:{" "}
                <ResultLength result={f.rise} signed />
              </Box>
            ))}
            {s.more.map((axle) => (
              <Box key={axle} sx={{ fontWeight: 650 }}>
                ▲ {axle === "front" ? "In front" : "At the rear"} it came down
                more than such springs do: look at seats and isolators, at what
                it carries, at a pigtail that moved.
              </Box>
            ))}
          </li>
        ))}
      </Box>
    </Box>
  );
}
