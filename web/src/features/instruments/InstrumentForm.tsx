import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useRef, useState } from "react";
import { v7 } from "uuid";
import type { Schemas } from "../../api/client";
import { instrumentWords, type InstrumentKind } from "../../shared/instruments";
import { at, ProblemNote } from "../../shared/ProblemNote";
import { useOnce } from "../../shared/useOnce";
import { useShopSend } from "./useShopSend";

/** Days as typed; nothing is the rule of thumb, and what is no number is refused by the server in words. */
const daysOf = (text: string) =>
  text.trim() === ""
    ? null
    : /^\s*\d{1,6}\s*$/.test(text)
      ? Number.parseInt(text, 10)
      : 0;

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
  const [name, setName] = useState(of?.instrument.name ?? "");
  const [serial, setSerial] = useState(of?.instrument.serial ?? "");
  const [days, setDays] = useState(of?.instrument.checkDays.toString() ?? "");
  const id = useRef(of?.instrument.id ?? v7());
  const once = useOnce();
  const { send, problem } = useShopSend();
  const keep = (putAway: boolean) =>
    once(async () => {
      if (
        await send({
          kind: "saveInstrument",
          id: id.current,
          version: of?.version ?? null,
          instrument: kind,
          name,
          serial: serial || null,
          checkDays: daysOf(days),
          putAway,
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
        void keep(of ? of.instrument.putAwayAt !== null : false);
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
        value={name}
        placeholder="Tape 3"
        autoFocus
        onChange={(e) => {
          setName(e.target.value);
        }}
        {...at(problem, "name")}
      />
      <TextField
        label="Maker's number"
        value={serial}
        placeholder="none"
        onChange={(e) => {
          setSerial(e.target.value);
        }}
        {...at(problem, "serial")}
      />
      <TextField
        label="Checked every so many days"
        value={days}
        onChange={(e) => {
          setDays(e.target.value);
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
            onClick={() => void keep(of.instrument.putAwayAt === null)}
          >
            {of.instrument.putAwayAt === null ? "Put it away" : "Use it again"}
          </Button>
        )}
      </Box>
      {["name", "serial", "checkDays"].every((f) => !at(problem, f).error) && (
        <ProblemNote problem={problem} />
      )}
    </Box>
  );
}
