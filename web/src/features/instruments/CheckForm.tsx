import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useRef, useState } from "react";
import { v7 } from "uuid";
import type { Schemas, Unit } from "../../api/client";
import {
  amountText,
  todayHere,
  type InstrumentKind,
} from "../../shared/instruments";
import { useUnit } from "../../shared/Length";
import type { LengthUnit } from "../../shared/length";
import { at, ProblemNote } from "../../shared/ProblemNote";
import { typed } from "../../shared/quantity";
import { useDraft } from "../../shared/useDraft";
import { useOnce } from "../../shared/useOnce";
import { useShopSend } from "./useShopSend";

const units = (kind: InstrumentKind, length: LengthUnit): Unit => {
  switch (kind) {
    case "tape":
      return length;
    case "angleGauge":
    case "rack":
      return "°";
    case "scales":
      return length === "in" ? "lb" : "kg";
    case "torqueWrench":
      return length === "in" ? "lb·ft" : "N·m";
  }
};

const what: Record<InstrumentKind, [truth: string, against: string]> = {
  tape: ["True length of the bar", "steel bar, 1 m"],
  angleGauge: ["True angle", "granite plate, level"],
  scales: ["True weight", "test weights"],
  torqueWrench: ["True torque", "certificate 118"],
  rack: ["True angle", "certificate 118"],
};

/** What is known, and what the instrument says of it. */
export function CheckForm({
  view,
  onDone,
}: {
  view: Schemas["InstrumentView"];
  onDone: () => void;
}) {
  const { kind, id, name } = view.instrument;
  const length = useUnit();
  const unit = units(kind, length);
  const [on, setOn] = useState(todayHere());
  // The same bar hangs on the wall for all of them.
  const [against, setAgainst] = useDraft(`check.against.${kind}`, "");
  const [truth, setTruth] = useDraft(`check.truth.${kind}`, "");
  const [within, setWithin] = useDraft(`check.within.${kind}`, "");
  const [said, setSaid] = useState("");
  const [answers, setAnswers] = useState<string[]>([]);
  const check = useRef(v7());
  const once = useOnce();
  const { send, problem } = useShopSend();
  const keep = (given: string[]) =>
    once(async () => {
      if (
        await send({
          kind: "checkInstrument",
          id,
          checkId: check.current,
          day: on,
          against,
          truth: typed(truth, unit, "measured", given),
          said: typed(said, unit, "measured", given),
          within: typed(within, unit, "measured", given),
        })
      ) {
        onDone();
      }
    });
  const field = (
    key: "against" | "truth" | "said" | "within",
    label: string,
    value: string,
    set: (value: string) => void,
    more: { placeholder?: string; helperText?: string; autoFocus?: boolean },
  ) => (
    <TextField
      label={label}
      value={value}
      placeholder={more.placeholder}
      autoFocus={more.autoFocus}
      onChange={(e) => {
        setAnswers([]);
        set(e.target.value);
      }}
      error={at(problem, key).error}
      helperText={at(problem, key).helperText ?? more.helperText}
      slotProps={{ inputLabel: { shrink: true } }}
    />
  );
  return (
    <Box
      component="form"
      aria-label={`Check of ${name}`}
      onSubmit={(e) => {
        e.preventDefault();
        void keep(answers);
      }}
      sx={{
        border: 2,
        borderColor: "primary.main",
        p: 1.5,
        my: 1,
        display: "grid",
        gap: 1.5,
        gridTemplateColumns: "repeat(auto-fill, minmax(190px, 1fr))",
        alignItems: "start",
      }}
    >
      {field("against", "Against", against, setAgainst, {
        placeholder: what[kind][1],
        autoFocus: true,
      })}
      {field("truth", `${what[kind][0]}, ${unit}`, truth, setTruth, {})}
      {field("said", `${name} says, ${unit}`, said, setSaid, {
        helperText:
          kind === "tape" ? "Hooked over the end, as at a lip." : undefined,
      })}
      {field("within", `± of the true one, ${unit}`, within, setWithin, {
        placeholder: "not known",
        helperText: `Empty is ± ${amountText(view.usualWithin, kind, length)}, a rule of thumb.`,
      })}
      <TextField
        label="On"
        type="date"
        required
        value={on}
        onChange={(e) => {
          setOn(e.target.value);
        }}
        slotProps={{ inputLabel: { shrink: true } }}
        {...at(problem, "day")}
      />
      <Box sx={{ display: "flex", gap: 1, gridColumn: "1/-1" }}>
        <Button type="submit" variant="contained">
          Keep the check
        </Button>
        <Button color="inherit" onClick={onDone}>
          Leave it
        </Button>
      </Box>
      {["against", "truth", "said", "within", "day"].every(
        (f) => !at(problem, f).error,
      ) && (
        <ProblemNote
          problem={problem}
          onChoose={(key) => {
            const all = [...answers, key];
            setAnswers(all);
            void keep(all);
          }}
        />
      )}
    </Box>
  );
}
