import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { doubtText, todayHere } from "../../shared/instruments";
import { NeedsNetwork } from "../../shared/NeedsNetwork";
import { useInstruments } from "../../shared/useInstruments";
import { InstrumentForm } from "./InstrumentForm";
import { InstrumentLine } from "./InstrumentLine";

type View = Schemas["InstrumentView"];

/** The shop's tapes, gauges, scales and wrenches: what each errs by, when it is due, what was read with it while it is doubted. */
export default function Instruments() {
  const list = useInstruments();
  const [adding, setAdding] = useState(false);
  if (list.isError && !list.data) {
    return <NeedsNetwork why={list.error} />;
  }
  if (!list.data) {
    return null;
  }
  // What is doubted leads.
  const doubted = (i: View) => (doubtText(i, todayHere()) === null ? 1 : 0);
  const used = list.data
    .filter((i) => i.instrument.putAwayAt === null)
    .toSorted((a, b) => doubted(a) - doubted(b));
  const away = list.data.filter((i) => i.instrument.putAwayAt !== null);
  return (
    <Box component="main" sx={{ px: { xs: 1.5, sm: 3 }, py: 2, maxWidth: 960 }}>
      <Typography variant="h1">Tapes and gauges</Typography>
      <Typography color="text.secondary" sx={{ mb: 1, maxWidth: 640 }}>
        What a check finds is taken off whatever is read afterwards, with its ±.
        One tape errs alike in everything: rake and lean are free of it, heights
        and lifts read with two tapes are not.
      </Typography>
      {adding ? (
        <InstrumentForm
          onDone={() => {
            setAdding(false);
          }}
        />
      ) : (
        <Button
          variant={used.length === 0 ? "contained" : "outlined"}
          onClick={() => {
            setAdding(true);
          }}
        >
          Put one into the register
        </Button>
      )}
      {used.length === 0 && !adding && (
        <Typography sx={{ mt: 2 }}>
          None yet. Write a number on each tape, and put it in here; a bar of
          known length is all that a check needs.
        </Typography>
      )}
      <Lines of={used} />
      {away.length > 0 && (
        <Box component="details" sx={{ mt: 3 }}>
          <summary>Put away ({away.length})</summary>
          <Lines of={away} />
        </Box>
      )}
    </Box>
  );
}

function Lines({ of }: { of: View[] }) {
  return (
    <Box component="ul" sx={{ listStyle: "none", p: 0, m: 0, mt: 1.5 }}>
      {of.map((i) => (
        <InstrumentLine key={i.instrument.id} view={i} />
      ))}
    </Box>
  );
}
