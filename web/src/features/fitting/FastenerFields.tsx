import Box from "@mui/material/Box";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import TextField from "@mui/material/TextField";
import type { Schemas } from "../../api/client";
import { useUnit } from "../../shared/Length";
import { at } from "../../shared/ProblemNote";
import { typed } from "../../shared/quantity";

export type Fastener = Schemas["FastenerInput"];

/** What holds a joint, sort by sort: all that is known of it, or what a bolt is bought by. */
export function FastenerFields({
  fasteners,
  problem,
  all = false,
  onChange,
}: {
  fasteners: Fastener[];
  problem: Error | null;
  all?: boolean;
  onChange: (fasteners: Fastener[]) => void;
}) {
  const unit = useUnit();
  const set = (i: number, part: Partial<Fastener>) => {
    onChange(fasteners.map((f, k) => (k === i ? { ...f, ...part } : f)));
  };
  return fasteners.map((f, i) => {
    const n = i.toString();
    const text = (
      field: "position" | "thread" | "grade" | "wrench" | "threadlocker",
      label: string,
      placeholder?: string,
    ) => (
      <TextField
        label={label}
        value={f[field] ?? ""}
        placeholder={placeholder}
        onChange={(e) => {
          set(i, { [field]: e.target.value });
        }}
        {...at(problem, `fasteners[${n}].${field}`)}
      />
    );
    const length = (field: "lengthFound" | "lengthNeeded", label: string) => (
      <TextField
        label={`${label}, ${f[field]?.unit ?? unit}`}
        value={f[field]?.typed ?? ""}
        onChange={(e) => {
          set(i, { [field]: typed(e.target.value, f[field]?.unit ?? unit) });
        }}
        {...at(problem, `fasteners[${n}].${field}`)}
      />
    );
    return (
      <Box
        key={n}
        sx={{
          display: "grid",
          gap: 1,
          gridTemplateColumns: "repeat(auto-fill, minmax(150px, 1fr))",
        }}
      >
        {all ? (
          text("position", "Which")
        ) : (
          <Box sx={{ gridColumn: "1 / -1" }}>{f.position}</Box>
        )}
        <TextField
          label="How many"
          value={f.count === 0 ? "" : f.count}
          onChange={(e) => {
            set(i, { count: Number(e.target.value.replace(/\D/g, "")) });
          }}
          {...at(problem, `fasteners[${n}].count`)}
        />
        {text("thread", "Thread", "M12 × 1.75")}
        {text("grade", "Grade", "10.9")}
        {all && text("wrench", "Wrench as found")}
        {length("lengthFound", all ? "Length found" : "Length now")}
        {all && length("lengthNeeded", "Length needed")}
        {all && text("threadlocker", "Threadlocker or oil", "dry")}
        <FormControlLabel
          label={all ? "new part only" : "never used again"}
          control={
            <Checkbox
              checked={f.newPartOnly}
              onChange={(_, on) => {
                set(i, { newPartOnly: on });
              }}
            />
          }
        />
      </Box>
    );
  });
}
