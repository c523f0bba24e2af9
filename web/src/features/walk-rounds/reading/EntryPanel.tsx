import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import FormControlLabel from "@mui/material/FormControlLabel";
import Switch from "@mui/material/Switch";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import useMediaQuery from "@mui/material/useMediaQuery";
import { useEffect, useRef, useState } from "react";
import { Link as To } from "react-router";
import { practice } from "../../../api/practice";
import { useJob } from "../../../api/job";
import { useLiveJob } from "../../../api/live";
import type { InstrumentLine } from "../../../api/stream";
import type { Schemas } from "../../../api/client";
import { ProblemNote } from "../../../shared/ProblemNote";
import { ReadWith } from "../../../shared/ReadWith";
import { useOnce } from "../../../shared/useOnce";
import { canSay } from "../../../shared/voice";
import { datumWords } from "../conditions/conditions";
import { PracticeTape } from "../../practice/PracticeTape";
import { HeightGauge } from "./HeightGauge";
import { Keypad } from "./Keypad";
import { RaisedOrChanged } from "./RaisedOrChanged";
import { TapeDrawing } from "./TapeDrawing";
import { divisionMm, press, snap, typedTick } from "./tape";
import { lips, stationWords, type Entry } from "./useEntry";

const starts: Record<Schemas["Datum"], number> = {
  hub: 533.4,
  floor: 914.4,
  rim: 762,
  frame: 457.2,
  own: 457.2,
};

/** The current station: a field, a tape and a keypad for the same number. Enter stores and walks on. */
export function EntryPanel({
  entry,
  round,
}: {
  entry: Entry;
  round: Schemas["WalkRound"];
}) {
  const input = useRef<HTMLInputElement>(null);
  const [gauge, setGauge] = useState(false);
  const [help, setHelp] = useState(false);
  const [line, setLine] = useState<InstrumentLine | null>(null);
  const finger = useMediaQuery("(pointer: coarse)");
  const { current, from, text, division } = entry;
  const said = stationWords(current);
  // A finger on the keypad must not call up the device's own keyboard.
  useEffect(() => {
    if (!finger) {
      input.current?.focus();
    }
  }, [current, finger]);

  const live =
    gauge && line?.state === "steady" && line.place === current
      ? {
          typed: `${line.value.toString()} ${line.unit}`,
          instrument: `${line.instrument} ${line.serial}`,
        }
      : undefined;
  const submit = () => {
    entry.store(entry.given, text.trim() === "" ? live : undefined);
    entry.setGiven([]);
  };
  const step = (n: number) => {
    entry.setText(
      typedTick(
        snap((entry.mm ?? starts[from]) + n * divisionMm(division), division),
        division,
      ),
    );
  };
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        submit();
      }}
    >
      <Box
        sx={{
          display: "flex",
          flexWrap: { xs: "wrap", sm: "nowrap" },
          gap: 2,
        }}
      >
        <Box sx={{ order: { xs: practice === null ? 2 : 0, sm: 0 } }}>
          {practice === null ? (
            <TapeDrawing
              mm={entry.mm}
              start={starts[from]}
              division={division}
              hook={lips.includes(current) ? "lip" : current}
              datum={from}
              onChange={(mm) => {
                entry.setText(typedTick(mm, division));
              }}
            />
          ) : (
            <PracticeTape
              key={`${current} ${from}`}
              exercise={practice}
              round={round.id}
              station={current}
              from={from}
            />
          )}
        </Box>
        <Box sx={{ flex: "1 1 300px", minWidth: 0 }}>
          <Others round={round.id} />
          <Box
            sx={{
              display: "flex",
              flexWrap: "wrap",
              gap: 1,
              alignItems: "end",
            }}
          >
            <Box sx={{ flex: "1 1 220px" }}>
              <Typography variant="h2" component="label" htmlFor="tape">
                {said}, from the {from === "own" ? "own mark" : from}
              </Typography>
              <TextField
                id="tape"
                inputRef={input}
                value={text}
                autoFocus={!finger}
                autoComplete="off"
                onChange={(e) => {
                  entry.setText(e.target.value);
                }}
                onKeyDown={(e) => {
                  const by = { ArrowUp: 1, ArrowDown: -1 }[e.key];
                  if (by !== undefined) {
                    e.preventDefault();
                    step(
                      by *
                        (e.shiftKey
                          ? division.unit === "in"
                            ? division.denominator
                            : 10
                          : 1),
                    );
                  } else if (e.key === "PageDown" || e.key === "PageUp") {
                    e.preventDefault();
                    entry.walk(e.key === "PageDown" ? 1 : -1);
                  } else if (e.key === "?") {
                    e.preventDefault();
                    setHelp(!help);
                  }
                }}
                placeholder={
                  division.unit === "mm"
                    ? "520"
                    : from === "hub"
                      ? "20 1/2"
                      : "35 1/2"
                }
                slotProps={{
                  htmlInput: {
                    inputMode: finger ? "none" : "text",
                    style: {
                      fontSize: "2rem",
                      fontWeight: 700,
                      padding: "8px 12px",
                    },
                  },
                }}
                sx={{ mt: 0.5 }}
              />
            </Box>
            <Button
              type="submit"
              variant="contained"
              sx={{ px: 3, minHeight: 56 }}
            >
              Store
            </Button>
          </Box>
          <Done entry={entry} />
          <Typography
            color="text.secondary"
            sx={{ minHeight: "1.6em" }}
            role="status"
          >
            {entry.echo?.shown ?? entry.echo?.question ?? entry.echo?.refused}
          </Typography>
          {entry.wrong && (
            <TextField
              label="Why was the first reading wrong?"
              value={entry.reason}
              onChange={(e) => {
                entry.setReason(e.target.value);
              }}
              sx={{ my: 1 }}
            />
          )}
          {entry.back && (
            <Alert
              severity="error"
              variant="outlined"
              action={
                <Button color="inherit" onClick={entry.goBack}>
                  Go back to it
                </Button>
              }
            >
              Not stored: {stationWords(entry.back.station)} {entry.back.typed}.{" "}
              {entry.back.problem.message}
            </Alert>
          )}
          <ProblemNote
            problem={entry.problem}
            onChoose={(key) => {
              const all = [...entry.given, key];
              entry.setGiven(all);
              entry.store(all, text.trim() === "" ? live : undefined);
            }}
          />
          <Keypad
            division={division}
            onKey={(key) => {
              entry.setText(press(text, key));
            }}
          />
          <Box
            sx={{
              display: "grid",
              gap: 1,
              mt: 1.5,
              gridTemplateColumns:
                "repeat(auto-fill, minmax(min(100%, 215px), 1fr))",
            }}
          >
            <TextField
              select
              label="From"
              value={from}
              onChange={(e) => {
                entry.setDatum(e.target.value as Schemas["Datum"]);
              }}
            >
              {Object.entries(datumWords).map(([key, words]) => (
                <MenuItem key={key} value={key}>
                  {words}
                </MenuItem>
              ))}
            </TextField>
            {from === "own" && (
              <TextField
                label="Which mark"
                value={entry.ownMark}
                onChange={(e) => {
                  entry.setOwnMark(e.target.value);
                }}
              />
            )}
            <ReadWith
              with={entry.tape}
              label="Measured with"
              first={
                practice === null
                  ? {
                      value: "gauge",
                      on: gauge,
                      words: "height gauge (stand-in)",
                      onChoose: (on) => {
                        setGauge(on);
                        setLine(null);
                      },
                    }
                  : undefined
              }
            />
          </Box>
          {canSay() && (
            <FormControlLabel
              label="Read aloud what is stored"
              control={
                <Switch
                  checked={entry.aloud}
                  onChange={(e) => {
                    entry.setAloud(e.target.checked);
                  }}
                />
              }
            />
          )}
          {gauge && (
            <HeightGauge
              key={`${current} ${from}`}
              round={round.id}
              station={current}
              from={from}
              onLine={setLine}
            />
          )}
          <Skip entry={entry} />
          <RaisedOrChanged entry={entry} />
          {help && (
            <Box component="ul" sx={{ mt: 1, pl: 2.5 }}>
              <li>Enter stores and walks on</li>
              <li>↑ ↓ one division, with Shift one inch or centimetre</li>
              <li>Page Down, Page Up: next and last station</li>
              <li>+ or - after the number: strong or shy</li>
              <li>? shows and hides this</li>
            </Box>
          )}
        </Box>
      </Box>
    </form>
  );
}

const next: Partial<Record<Schemas["Phase"], [path: string, says: string]>> = {
  plan: ["../plan", "Done: plan"],
  fit: ["../fit", "Done: back to the card"],
  prove: ["../prove", "Done: prove"],
  handOver: ["../hand-over", "Done: hand over"],
};

/** Once every station is read the way on stands beside the field. */
function Done({ entry }: { entry: Entry }) {
  const { progress } = useJob();
  const on = next[progress.next];
  return (
    on &&
    entry.text === "" &&
    entry.order.every(entry.isDone) && (
      <Button component={To} to={on[0]} variant="contained" sx={{ mt: 1 }}>
        {on[1]}
      </Button>
    )
  );
}

/** Who else stands in this walk-round, and where. */
function Others({ round }: { round: string }) {
  const { standing } = useLiveJob();
  const here = standing.filter((s) => s.walkRound === round);
  return here.map((s) => (
    <Typography key={s.device} role="status" sx={{ fontWeight: 600 }}>
      ◆ {s.person} is at: {stationWords(s.place).toLowerCase()}
    </Typography>
  ));
}

function Skip({ entry }: { entry: Entry }) {
  const [why, setWhy] = useState<string | null>(null);
  const once = useOnce();
  if (why === null) {
    return (
      <Button
        size="small"
        color="inherit"
        sx={{ mt: 0.5 }}
        onClick={() => {
          setWhy("");
        }}
      >
        Pass over…
      </Button>
    );
  }
  const pass = async () => {
    if (await entry.skip(why)) {
      setWhy(null);
    }
  };
  return (
    <Box sx={{ display: "flex", gap: 1, mt: 1 }}>
      <TextField
        label={`Why is ${stationWords(entry.current).toLowerCase()} passed over?`}
        value={why}
        autoFocus
        onChange={(e) => {
          setWhy(e.target.value);
        }}
        onKeyDown={(e) => {
          if (e.key === "Enter") {
            e.preventDefault();
            void once(pass);
          }
        }}
      />
      <Button variant="outlined" onClick={() => void once(pass)}>
        Pass over
      </Button>
    </Box>
  );
}
