import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useRef, useState } from "react";
import { v7 } from "uuid";
import type { Schemas } from "../../api/client";
import { at, ProblemNote } from "../../shared/ProblemNote";
import { useOnce } from "../../shared/useOnce";
import { useShopSend } from "./useShopSend";

/** An instant as a field of day and time holds it, where this device is. */
const asField = (at: Date) =>
  new Date(at.getTime() - at.getTimezoneOffset() * 60_000)
    .toISOString()
    .slice(0, 16);

/** What happened to an instrument, and when: what was read since is doubted. */
export function MishapForm({
  view,
  onDone,
}: {
  view: Schemas["InstrumentView"];
  onDone: () => void;
}) {
  const { id, name } = view.instrument;
  const [when, setWhen] = useState(asField(new Date()));
  const [what, setWhat] = useState("");
  const mishap = useRef(v7());
  const once = useOnce();
  const { send, problem } = useShopSend();
  return (
    <Box
      component="form"
      aria-label={`What happened to ${name}`}
      onSubmit={(e) => {
        e.preventDefault();
        void once(async () => {
          if (
            await send({
              kind: "noteMishap",
              id,
              mishapId: mishap.current,
              happenedAt: new Date(when).toISOString(),
              what,
            })
          ) {
            onDone();
          }
        });
      }}
      sx={{
        border: 2,
        borderColor: "warning.main",
        p: 1.5,
        my: 1,
        display: "grid",
        gap: 1.5,
        gridTemplateColumns: "repeat(auto-fill, minmax(220px, 1fr))",
        alignItems: "start",
      }}
    >
      <TextField
        label="What happened"
        value={what}
        autoFocus
        placeholder="fell off the lift, hook bent"
        onChange={(e) => {
          setWhat(e.target.value);
        }}
        slotProps={{ inputLabel: { shrink: true } }}
        {...at(problem, "what")}
      />
      <TextField
        label="When"
        type="datetime-local"
        required
        value={when}
        onChange={(e) => {
          setWhen(e.target.value);
        }}
        slotProps={{ inputLabel: { shrink: true } }}
        {...at(problem, "happenedAt")}
      />
      <Box sx={{ display: "flex", gap: 1, gridColumn: "1/-1" }}>
        <Button type="submit" variant="contained">
          Doubt what was read since
        </Button>
        <Button color="inherit" onClick={onDone}>
          Leave it
        </Button>
      </Box>
      {["what", "happenedAt"].every((f) => !at(problem, f).error) && (
        <ProblemNote problem={problem} />
      )}
    </Box>
  );
}
