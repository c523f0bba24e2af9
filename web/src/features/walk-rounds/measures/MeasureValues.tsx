import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import type { Schemas } from "../../../api/client";
import { useJob, useOutbox } from "../../../api/job";
import { waitingIn } from "../../../api/waiting";
import { useUnit } from "../../../shared/Length";
import { measureTitle, placeWords, valueText } from "./measures";

/** What was measured in this round beside heights, and what follows from it. */
export function MeasureValues({
  round,
  all,
}: {
  round: Schemas["WalkRound"];
  all: Schemas["Measure"][];
}) {
  const view = useJob();
  const unit = useUnit();
  const { letters } = useOutbox();
  const stance = view.results.walkRounds.find(
    (w) => w.walkRoundId === round.id,
  );
  const waiting = waitingIn(letters, round.id).filter(
    ({ command: c }) => "measure" in c && c.measure !== null,
  );
  const notes = view.document.readings.filter(
    (r) =>
      r.walkRoundId === round.id &&
      r.measure !== null &&
      (r.kind === "note" || r.skipped) &&
      r.note !== null,
  );
  const title = (key: string) => measureTitle(key, all);
  if (!stance || stance.measures.length + waiting.length + notes.length === 0) {
    return null;
  }
  return (
    <Box sx={{ mt: 2.5 }}>
      <Typography variant="h2">Taken in this round</Typography>
      <Box component="ul" sx={{ listStyle: "none", p: 0, mt: 0.5 }}>
        {waiting.map((l) => (
          <Box component="li" key={l.commandId} sx={{ color: "warning.main" }}>
            ▲ {l.says}: kept here, not yet at the server
          </Box>
        ))}
        {stance.measures.map((m) => (
          <Box
            component="li"
            key={`${m.measure} ${m.place}`}
            sx={{ borderBottom: 1, borderColor: "divider", py: 0.75 }}
          >
            {title(m.measure)}, {placeWords(m.place)}{" "}
            <Box component="span" sx={{ fontSize: "1.15rem", fontWeight: 700 }}>
              {valueText(m.value, unit)}
            </Box>
            <Box component="span" sx={{ color: "text.secondary" }}>
              {m.says !== null && ` ${m.says}`}
              {m.reads === 0 && " · computed"}
              {m.reads > 1 && ` · ${m.reads.toString()} reads`}
            </Box>
          </Box>
        ))}
        {notes.map((n) => (
          <Box component="li" key={n.id} sx={{ py: 0.75 }}>
            {title(n.measure ?? "")}
            {n.place.name === "vehicle"
              ? ""
              : `, ${placeWords(n.place.name ?? "")}`}
            : {n.skipped ? `passed over, ${n.note ?? ""}` : n.note}
          </Box>
        ))}
      </Box>
    </Box>
  );
}
