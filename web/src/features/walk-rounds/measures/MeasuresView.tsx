import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { Schemas } from "../../../api/client";
import { useJob, useOutbox } from "../../../api/job";
import { waitingIn } from "../../../api/waiting";
import { MeasureForm } from "./MeasureForm";
import { MeasureValues } from "./MeasureValues";
import { useCatalogue } from "./useCatalogue";
import { placeWords } from "./measures";

/** Everything beside heights: what this vehicle and plan call for first, then whatever else. */
export function MeasuresView({ round }: { round: Schemas["WalkRound"] }) {
  const view = useJob();
  const { letters } = useOutbox();
  const all = useCatalogue();
  const [chosen, setChosen] = useState<{ key: string; place: string } | null>(
    null,
  );
  const waiting = waitingIn(letters, round.id);
  const isDone = (a: Schemas["AskedMeasure"]) =>
    a.done ||
    waiting.some(
      ({ command: c }) =>
        "measure" in c && c.measure === a.measure && c.place === a.place,
    );
  const open = view.asked.filter((a) => !isDone(a));
  const next = open[0];
  const current =
    chosen ?? (next ? { key: next.measure, place: next.place } : null);
  const listed = all.find((m) => m.measure.key === current?.key) ?? all[0];
  if (!listed) {
    return (
      <Typography>
        The list of measures comes from the server, which cannot be reached.
      </Typography>
    );
  }
  const place =
    current && listed.places.includes(current.place)
      ? current.place
      : (listed.places[0] ?? "vehicle");
  const asked = view.asked.find(
    (a) => a.measure === listed.measure.key && a.place === place,
  );
  return (
    <Box
      sx={{
        display: "grid",
        gap: 3,
        gridTemplateColumns: {
          xs: "minmax(0,1fr)",
          md: "minmax(0,0.85fr) minmax(0,1.3fr)",
        },
      }}
    >
      <Box sx={{ order: { xs: 1, md: 0 } }}>
        <Typography variant="h2">
          {open.length > 0
            ? `Asked for: ${open.length.toString()}`
            : "All that was asked for is taken"}
        </Typography>
        <Box component="ul" sx={{ listStyle: "none", p: 0, my: 1 }}>
          {view.asked.map((a) => {
            const measure = all.find((m) => m.measure.key === a.measure);
            const title = `${measure?.measure.title ?? a.measure}, ${placeWords(a.place)}`;
            const done = isDone(a);
            return (
              <li key={`${a.measure} ${a.place}`}>
                <Button
                  size="small"
                  color="inherit"
                  aria-current={asked === a ? "step" : undefined}
                  onClick={() => {
                    setChosen({ key: a.measure, place: a.place });
                  }}
                  sx={{
                    textAlign: "left",
                    justifyContent: "flex-start",
                    width: "100%",
                    borderLeft: 4,
                    borderRadius: 0,
                    borderColor: asked === a ? "primary.main" : "transparent",
                  }}
                >
                  {done ? "✓" : a.nowOrNever ? "▲" : "○"} {title}
                  {a.nowOrNever && !done && " · now or never"}
                </Button>
              </li>
            );
          })}
        </Box>
        <TextField
          select
          label="Or measure something else"
          value={chosen ? listed.measure.key : ""}
          onChange={(e) => {
            setChosen({ key: e.target.value, place: "" });
          }}
        >
          <MenuItem value="">what is asked for</MenuItem>
          {all.map((m) => (
            <MenuItem key={m.measure.key} value={m.measure.key}>
              {m.measure.title}
            </MenuItem>
          ))}
        </TextField>
      </Box>
      <Box>
        <MeasureForm
          key={`${listed.measure.key} ${place}`}
          round={round}
          measure={listed.measure}
          places={listed.places}
          place={place}
          why={asked?.why ?? null}
          onPlace={(p) => {
            setChosen({ key: listed.measure.key, place: p });
          }}
          onStored={() => {
            // The next asked one; within one measure, the next place.
            const rest = open.filter((a) => a !== asked);
            const same = rest.find((a) => a.measure === listed.measure.key);
            const follow = same ?? rest[0];
            const i = listed.places.indexOf(place);
            const beside = listed.places[i + 1];
            setChosen(
              asked && follow
                ? { key: follow.measure, place: follow.place }
                : { key: listed.measure.key, place: beside ?? place },
            );
          }}
        />
        <MeasureValues round={round} all={all.map((m) => m.measure)} />
      </Box>
    </Box>
  );
}
