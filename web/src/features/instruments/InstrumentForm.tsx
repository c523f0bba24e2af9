import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useRef, useState } from "react";
import { v7 } from "uuid";
import type { Schemas } from "../../api/client";
import { instrumentWords, type InstrumentKind } from "../../shared/instruments";
import { Both, type Lines } from "../../shared/BothWays";
import { at, ProblemNote } from "../../shared/ProblemNote";
import { useOnce } from "../../shared/useOnce";
import { isStale, useShopSend } from "./useShopSend";

/** Days as typed; nothing is the rule of thumb, and what is no number is refused by the server in words. */
const daysOf = (text: string) =>
  text.trim() === ""
    ? null
    : /^\s*\d{1,6}\s*$/.test(text)
      ? Number.parseInt(text, 10)
      : 0;

interface Text {
  name: string;
  serial: string;
  days: string;
  putAway: boolean;
}

const textOf = (i: Schemas["Instrument"]): Text => ({
  name: i.name,
  serial: i.serial ?? "",
  days: i.checkDays.toString(),
  putAway: i.putAwayAt !== null,
});

const linesOf = (t: Text): Lines => ({
  "What stands on it": t.name,
  "Maker's number": t.serial,
  "Checked every so many days": t.days,
  "Put away": t.putAway ? "yes" : "no",
});

/** A new instrument, or what stands in the register of one. */
export function InstrumentForm({
  of,
  onDone,
}: {
  of?: Schemas["InstrumentView"];
  onDone: () => void;
}) {
  const [kind, setKind] = useState<InstrumentKind>(
    of?.instrument.kind ?? "tape",
  );
  const [text, setText] = useState<Text>(() =>
    of
      ? textOf(of.instrument)
      : { name: "", serial: "", days: "", putAway: false },
  );
  // What was sent last: with it goes whether it is put away.
  const [tried, setTried] = useState(text);
  // What was filled in is told from what lies there now: somebody else may change it meanwhile.
  const [seen, setSeen] = useState(of?.version ?? null);
  const set = (change: Partial<Text>) => {
    setText((was) => ({ ...was, ...change }));
  };
  const id = useRef(of?.instrument.id ?? v7());
  const once = useOnce();
  const { send, problem, forget } = useShopSend();
  const keep = (told: Text, version: number | null) =>
    once(async () => {
      setTried(told);
      if (
        await send({
          kind: "saveInstrument",
          id: id.current,
          version,
          instrument: kind,
          name: told.name,
          serial: told.serial || null,
          checkDays: daysOf(told.days),
          putAway: told.putAway,
        })
      ) {
        onDone();
      }
    });
  return (
    <Box
      component="form"
      aria-label={of ? of.instrument.name : "New instrument"}
      onSubmit={(e) => {
        e.preventDefault();
        void keep(text, seen);
      }}
      sx={{
        border: 2,
        borderColor: "primary.main",
        p: 1.5,
        my: 1.5,
        display: "grid",
        gap: 1.5,
        gridTemplateColumns: "repeat(auto-fill, minmax(200px, 1fr))",
        alignItems: "start",
      }}
    >
      {!of && (
        <TextField
          select
          label="It is a"
          value={kind}
          onChange={(e) => {
            setKind(e.target.value as InstrumentKind);
          }}
        >
          {Object.entries(instrumentWords).map(([key, words]) => (
            <MenuItem key={key} value={key}>
              {words}
            </MenuItem>
          ))}
        </TextField>
      )}
      <TextField
        label="What stands on it"
        value={text.name}
        placeholder="Tape 3"
        autoFocus
        onChange={(e) => {
          set({ name: e.target.value });
        }}
        {...at(problem, "name")}
      />
      <TextField
        label="Maker's number"
        value={text.serial}
        placeholder="none"
        onChange={(e) => {
          set({ serial: e.target.value });
        }}
        {...at(problem, "serial")}
      />
      <TextField
        label="Checked every so many days"
        value={text.days}
        onChange={(e) => {
          set({ days: e.target.value });
        }}
        error={at(problem, "checkDays").error}
        helperText={
          at(problem, "checkDays").helperText ??
          "Empty is a year, a rule of thumb; its papers may ask for less."
        }
      />
      <Box
        sx={{ display: "flex", flexWrap: "wrap", gap: 1, gridColumn: "1/-1" }}
      >
        <Button type="submit" variant="contained">
          Keep it
        </Button>
        <Button color="inherit" onClick={onDone}>
          Leave it
        </Button>
        {of && (
          <Button
            color="inherit"
            onClick={() => void keep({ ...text, putAway: !text.putAway }, seen)}
          >
            {text.putAway ? "Use it again" : "Put it away"}
          </Button>
        )}
      </Box>
      {of && isStale(problem) ? (
        <Box sx={{ gridColumn: "1/-1" }}>
          <Both
            by={problem.by}
            at={problem.at}
            mine={linesOf(tried)}
            theirs={linesOf(textOf(of.instrument))}
            onTheirs={() => {
              setText(textOf(of.instrument));
              setSeen(of.version);
              forget();
            }}
            onMine={() => keep(tried, of.version)}
          />
        </Box>
      ) : (
        ["name", "serial", "checkDays"].every((f) => !at(problem, f).error) && (
          <ProblemNote problem={problem} />
        )
      )}
    </Box>
  );
}
