import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import type { ReactNode } from "react";
import {
  doubtText,
  instrumentWords,
  todayHere,
  type InstrumentKind,
} from "./instruments";
import { useDraft } from "./useDraft";
import { useInstruments } from "./useInstruments";

/** With which of the shop's instruments this device reads: it stays until another one is chosen. */
export function useReadWith(kind: InstrumentKind) {
  const [chosen, choose] = useDraft(`read-with.${kind}`, "");
  const all = (useInstruments().data ?? []).filter(
    (i) => i.instrument.kind === kind && i.instrument.putAwayAt === null,
  );
  const current = all.find((i) => i.instrument.id === chosen);
  return {
    kind,
    all,
    id: current?.instrument.id ?? null,
    doubt: current ? doubtText(current, todayHere()) : null,
    choose,
  };
}

/** Chooses it; nothing where the shop has none of the kind. */
export function ReadWith({
  with: it,
  label,
  first,
}: {
  with: ReturnType<typeof useReadWith>;
  label: string;
  /** What else can be chosen. */
  first?: {
    value: string;
    on: boolean;
    words: string;
    onChoose: (on: boolean) => void;
  };
}): ReactNode {
  if (it.all.length === 0 && !first) {
    return null;
  }
  return (
    <TextField
      select
      label={label}
      value={first?.on ? first.value : (it.id ?? "")}
      onChange={(e) => {
        first?.onChoose(e.target.value === first.value);
        if (e.target.value !== first?.value) {
          it.choose(e.target.value);
        }
      }}
      error={!first?.on && it.doubt !== null}
      helperText={first?.on ? undefined : it.doubt}
      slotProps={{
        inputLabel: { shrink: true },
        select: { displayEmpty: true },
      }}
    >
      <MenuItem value="">
        {it.all.length === 0
          ? instrumentWords[it.kind]
          : `a ${instrumentWords[it.kind]}, not named`}
      </MenuItem>
      {it.all.map((i) => (
        <MenuItem key={i.instrument.id} value={i.instrument.id}>
          {i.instrument.name}
        </MenuItem>
      ))}
      {first && <MenuItem value={first.value}>{first.words}</MenuItem>}
    </TextField>
  );
}
