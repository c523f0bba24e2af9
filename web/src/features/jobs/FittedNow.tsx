import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { v7 } from "uuid";
import type { Schemas } from "../../api/client";
import type { LengthUnit } from "../../shared/length";
import { at } from "../../shared/ProblemNote";
import { cornerWords, typed } from "../../shared/quantity";
import { partWords } from "../../api/words";
import { kindsOffered } from "../shelf/kinds";

export interface FittedText {
  id: string;
  corner: Schemas["Corner"];
  name: string;
  kind: Schemas["PartKind"];
  thickness: string;
  claim: string;
}

export function fittedBody(
  rows: FittedText[],
  unit: LengthUnit,
): Schemas["FittedInput"][] {
  return rows.map((r) => ({
    id: r.id,
    corner: r.corner,
    name: r.name,
    kind: r.kind,
    thickness: typed(r.thickness, unit),
    claim: typed(r.claim, unit, "told"),
  }));
}

/** What somebody fitted before: a corner without a line is as the maker built it, as far as anybody knows. */
export function FittedNow({
  rows,
  onChange,
  problem,
}: {
  rows: FittedText[];
  onChange: (rows: FittedText[]) => void;
  problem: Error | null;
}) {
  const set = (i: number, change: Partial<FittedText>) => {
    onChange(rows.map((r, j) => (j === i ? { ...r, ...change } : r)));
  };
  return (
    <Box>
      {rows.length === 0 && (
        <Typography color="text.secondary" sx={{ mb: 1 }}>
          Nothing added at any corner, as far as you can see.
        </Typography>
      )}
      {rows.map((row, i) => (
        <Box
          key={row.id}
          sx={{
            display: "grid",
            gap: 1,
            mb: 1.5,
            gridTemplateColumns: "repeat(auto-fill, minmax(150px, 1fr))",
          }}
        >
          <TextField
            select
            label="Corner"
            value={row.corner}
            onChange={(e) => {
              set(i, { corner: e.target.value as Schemas["Corner"] });
            }}
          >
            {(["LF", "RF", "LR", "RR"] as const).map((c) => (
              <MenuItem key={c} value={c}>
                {cornerWords[c]}
              </MenuItem>
            ))}
          </TextField>
          <TextField
            label="What is there"
            value={row.name}
            onChange={(e) => {
              set(i, { name: e.target.value });
            }}
            {...at(problem, `fitted[${i.toString()}].name`)}
          />
          <TextField
            select
            label="It is a"
            value={row.kind}
            onChange={(e) => {
              set(i, { kind: e.target.value as Schemas["PartKind"] });
            }}
          >
            <MenuItem value="unknown">part nobody knows</MenuItem>
            {[...new Set([...kindsOffered, row.kind])]
              .filter((k) => k !== "unknown")
              .map((k) => (
                <MenuItem key={k} value={k}>
                  {partWords[k].said}
                </MenuItem>
              ))}
          </TextField>
          <TextField
            label="Thickness, taped"
            placeholder="unknown"
            value={row.thickness}
            onChange={(e) => {
              set(i, { thickness: e.target.value });
            }}
            {...at(problem, `fitted[${i.toString()}].thickness`)}
          />
          <TextField
            label="Said to lift"
            placeholder="unknown"
            value={row.claim}
            onChange={(e) => {
              set(i, { claim: e.target.value });
            }}
            {...at(problem, `fitted[${i.toString()}].claim`)}
          />
          <Button
            onClick={() => {
              onChange(rows.filter((_, j) => j !== i));
            }}
          >
            Take the line out
          </Button>
        </Box>
      ))}
      <Button
        variant="outlined"
        onClick={() => {
          onChange([
            ...rows,
            {
              id: v7(),
              corner: "LF",
              name: "",
              kind: "unknown",
              thickness: "",
              claim: "",
            },
          ]);
        }}
      >
        Something is fitted already
      </Button>
    </Box>
  );
}
