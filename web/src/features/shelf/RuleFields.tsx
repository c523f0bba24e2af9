import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { aspectWords, mateWords, partWords } from "../../api/words";
import { useUnit } from "../../shared/Length";
import { retypedWithUnit } from "../../shared/quantity";
import { valuesOf, type Rule } from "./fit";

/** What a condition speaks of. */
export function RuleFields({
  rule: r,
  onChange,
}: {
  rule: Rule;
  onChange: (rule: Rule) => void;
}) {
  const unit = useUnit();
  // Commas are typed one by one: what is written is kept as it is written.
  const [values, setValues] = useState(
    "values" in r ? r.values.join(", ") : "",
  );
  const [size, setSize] = useState(
    r.kind === "mustMeet" ? retypedWithUnit(r.mate.size) : "",
  );
  const select = (
    label: string,
    value: string,
    options: [string, string][],
    onPick: (key: string) => void,
  ) => (
    <TextField
      select
      label={label}
      size="small"
      value={value}
      onChange={(e) => {
        onPick(e.target.value);
      }}
      fullWidth={false}
      sx={{ minWidth: 190 }}
    >
      {options.map(([key, said]) => (
        <MenuItem key={key} value={key}>
          {said}
        </MenuItem>
      ))}
    </TextField>
  );
  switch (r.kind) {
    case "onlyWith":
    case "notWith":
      return (
        <>
          {select("What", r.aspect, Object.entries(aspectWords), (aspect) => {
            onChange({ ...r, aspect: aspect as Schemas["VariantAspect"] });
          })}
          <TextField
            label="Which, with commas between"
            size="small"
            value={values}
            onChange={(e) => {
              setValues(e.target.value);
              onChange({ ...r, values: valuesOf(e.target.value) });
            }}
            fullWidth={false}
            sx={{ minWidth: 260 }}
          />
        </>
      );
    case "onlyAt":
    case "notLevelled":
      return select(
        "Axle",
        r.axle,
        [
          ["front", "front"],
          ["rear", "rear"],
        ],
        (axle) => {
          onChange({ ...r, axle: axle as Schemas["Axle"] });
        },
      );
    case "needsPart":
    case "notBeside":
      return select(
        "Part",
        r.part,
        Object.entries(partWords)
          .filter(([key]) => key !== "unknown")
          .map(([key, { said }]) => [key, said]),
        (part) => {
          onChange({ ...r, part: part as Schemas["PartKind"] });
        },
      );
    case "atMost":
      return (
        <TextField
          type="number"
          label="Pieces"
          size="small"
          value={r.count}
          onChange={(e) => {
            onChange({ ...r, count: Number(e.target.value) });
          }}
          sx={{ width: 110 }}
        />
      );
    case "mustMeet":
      return (
        <>
          {select(
            "What",
            r.mate.kind,
            Object.entries(mateWords).map(([key, { said }]) => [key, said]),
            (kind) => {
              setSize("");
              onChange({
                ...r,
                mate: {
                  kind: kind as Schemas["MateKind"],
                  size: null,
                  written: null,
                },
              });
            },
          )}
          {mateWords[r.mate.kind].length ? (
            <TextField
              label={`Width, ${unit}`}
              size="small"
              value={size}
              onChange={(e) => {
                setSize(e.target.value);
                onChange({
                  ...r,
                  mate: {
                    ...r.mate,
                    // The server reads what was typed, fractions too.
                    size:
                      e.target.value.trim() === ""
                        ? null
                        : {
                            value: 0,
                            unit,
                            u: null,
                            known: "box",
                            typed: e.target.value,
                          },
                  },
                });
              }}
              sx={{ width: 140 }}
            />
          ) : (
            <TextField
              label="As it is written"
              size="small"
              value={r.mate.written ?? ""}
              fullWidth={false}
              placeholder="3 × M10 on 120"
              onChange={(e) => {
                onChange({
                  ...r,
                  mate: { ...r.mate, written: e.target.value },
                });
              }}
            />
          )}
        </>
      );
  }
}
