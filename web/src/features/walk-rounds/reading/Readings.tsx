import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import type { Schemas } from "../../../api/client";
import { useJob, useOutbox } from "../../../api/job";
import { waitingIn } from "../../../api/waiting";
import { byText } from "../../../shared/instruments";
import { Length, PlusMinus, useUnit } from "../../../shared/Length";
import { cornerWords } from "../../../shared/quantity";
import { corrections } from "./corrections";
import { PhotographButton } from "../../jobs/Photographs";

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
  const unit = useUnit();
  const d = view.document;
  const { letters } = useOutbox();
  const stance = view.results.walkRounds.find(
    (w) => w.walkRoundId === round.id,
  );
  // What the stage before had, once it was measured too.
  const earlier = view.results.chain.find((c) => c.afterId === round.id);
  const waiting = waitingIn(letters, round.id);
  const corrected = corrections(d).filter(
    (c) => c.walkRound === round.id && c.measure === null,
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
          const rise = earlier?.rises.find(
            (r) => r.station === s.station,
          )?.rise;
          const reads = d.readings.filter((r) =>
            s.height.restsOn.includes(r.id),
          );
          const last = reads.at(-1);
          return (
            <Box
              component="li"
              key={`${s.station} ${s.datum} ${s.ownMark ?? ""}`}
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
                {cornerWords[s.station] ?? s.station}, {s.ownMark ?? s.datum}{" "}
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
                {s.reads === 1 && reads[0]?.instrument && (
                  <Box component="span" sx={{ color: "text.secondary" }}>
                    {" "}
                    · {reads[0].instrument}
                  </Box>
                )}
                {last?.by && (
                  <Box component="span" sx={{ color: "text.secondary" }}>
                    {" "}
                    · {byText(last.by, unit)}
                  </Box>
                )}
                {Math.abs(s.floorCorrectionMm) > 0.2 && (
                  <Box component="span" sx={{ color: "text.secondary" }}>
                    {" "}
                    · {s.floorCorrectionMm > 0 ? "+" : "−"}
                    {Math.abs(s.floorCorrectionMm).toFixed(1)} mm for the floor
                  </Box>
                )}
                {rise?.value != null && (
                  <Box component="span">
                    {" "}
                    · rose <Length mm={rise.value} signed />
                  </Box>
                )}
                {corrected
                  .filter((c) => c.place === s.station)
                  .map((c) => (
                    <Box key={c.id} sx={{ color: "text.secondary" }}>
                      <s>{c.was}</s> {c.reason}
                    </Box>
                  ))}
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
                <PhotographButton
                  of={`reading:${last.id}`}
                  caption={`${cornerWords[s.station] ?? s.station}, ${s.datum}`}
                />
              )}
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
      {stance?.skipped.map((s) => (
        <Box component="li" key={s.station} sx={{ py: 1 }}>
          ○ {cornerWords[s.station] ?? s.station}: passed over, {s.why}{" "}
          <Button
            size="small"
            onClick={() => {
              onAgain(s.station);
            }}
          >
            Read it after all
          </Button>
        </Box>
      ))}
    </Box>
  );
}
