import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import type { Schemas } from "../../api/client";
import { useJob, useOutbox } from "../../api/job";
import { Length, PlusMinus } from "../../shared/Length";
import { cornerWords } from "../../shared/quantity";

/** What was read in this round; the difference to the earlier stage is shown once a station is stored. */
export function Readings({
  round,
  hidden,
  onAgain,
  onWrong,
}: {
  round: Schemas["WalkRound"];
  hidden: string | null;
  onAgain: (station: string) => void;
  onWrong: (station: string, reading: string) => void;
}) {
  const view = useJob();
  const d = view.document;
  const { letters } = useOutbox();
  const stance = view.results.walkRounds.find(
    (w) => w.walkRoundId === round.id,
  );
  const proof = view.results.proofs.find((p) => p.walkRoundId === round.id);
  const superseded = new Set(d.readings.map((r) => r.supersedes));
  const standing = d.readings.filter(
    (r) => r.walkRoundId === round.id && !superseded.has(r.id),
  );
  const waiting = letters.filter(
    (l) => l.job === d.job.id && l.body.walkRoundId === round.id,
  );
  return (
    <Box component="ul" sx={{ listStyle: "none", p: 0, mt: 1.5 }}>
      {waiting.map((l) => (
        <Box component="li" key={l.commandId} sx={{ color: "warning.main" }}>
          ▲ {l.says}: kept here, not yet at the server
        </Box>
      ))}
      {stance?.stations
        .filter((s) => s.station !== hidden)
        .map((s) => {
          const rise = proof?.comparison?.rises.find(
            (r) => r.station === s.station,
          )?.rise;
          const mine = standing.filter(
            (r) =>
              r.place.name === s.station && (r.from ?? round.datum) === s.datum,
          );
          const last = mine.at(-1);
          return (
            <Box
              component="li"
              key={`${s.station} ${s.datum}`}
              sx={{
                borderBottom: 1,
                borderColor: "divider",
                display: "flex",
                flexWrap: "wrap",
                alignItems: "center",
                columnGap: 1.5,
              }}
            >
              <Box sx={{ flex: "1 1 210px" }}>
                {cornerWords[s.station] ?? s.station}, {s.datum}{" "}
                <Box
                  component="span"
                  sx={{ fontSize: "1.25rem", fontWeight: 700 }}
                >
                  <Length mm={s.height.value ?? 0} />
                </Box>{" "}
                {s.height.u !== null && <PlusMinus u={s.height.u} />}
                {s.reads > 1 && (
                  <Box component="span" sx={{ color: "text.secondary" }}>
                    {" "}
                    · {s.reads} reads, spread{" "}
                    <Length mm={s.uncertainty.spreadMm} />
                  </Box>
                )}
                {rise?.value != null && (
                  <Box component="span">
                    {" "}
                    · rose <Length mm={rise.value} signed />
                  </Box>
                )}
                {s.flags.map((f) => (
                  <Box key={f} sx={{ color: "warning.main" }}>
                    ▲ {f}
                  </Box>
                ))}
              </Box>
              <Button
                size="small"
                onClick={() => {
                  onAgain(s.station);
                }}
              >
                Read again
              </Button>
              {last && (
                <Button
                  size="small"
                  color="inherit"
                  onClick={() => {
                    onWrong(s.station, last.id);
                  }}
                >
                  That was wrong
                </Button>
              )}
            </Box>
          );
        })}
    </Box>
  );
}
