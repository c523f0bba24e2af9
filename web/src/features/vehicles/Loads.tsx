import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import FormControlLabel from "@mui/material/FormControlLabel";
import Switch from "@mui/material/Switch";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { v7 } from "uuid";
import { Press } from "../../shared/Press";
import type { JobView, Schemas, Unit } from "../../api/client";
import { useJob, useSeenVersion, useSend } from "../../api/job";
import { useUnit } from "../../shared/Length";
import { BothWays, type Lines } from "../../shared/BothWays";
import { asError, at } from "../../shared/ProblemNote";
import { retyped, retypedWithUnit, typed } from "../../shared/quantity";

interface LoadText {
  id: string;
  name: string;
  mass: string;
  massUnit: Unit;
  behind: string;
  left: string;
  stays: boolean;
}

const textOf = (l: Schemas["StatedLoad"]): LoadText => ({
  id: l.id,
  name: l.name,
  mass: retyped(l.mass),
  massUnit: l.mass.unit,
  behind: retypedWithUnit(l.behind),
  left: retypedWithUnit(l.left),
  stays: l.stays,
});

/** A line for each load. */
const linesOf = (rows: LoadText[]): Lines =>
  Object.fromEntries(
    rows.map((r) => [
      r.name || "a load",
      [
        `${r.mass} ${r.massUnit}`,
        r.behind && `${r.behind} behind`,
        r.left && `${r.left} left`,
        r.stays ? "stays" : "put on",
      ]
        .filter(Boolean)
        .join(", "),
    ]),
  );

/** What it carries and tows: how it sits with that on is shown beside every plan. */
export function Loads() {
  const view = useJob();
  const unit = useUnit();
  const send = useSend();
  const job = view.document.job;
  const seen = useSeenVersion(job.id);
  const [rows, setRows] = useState(() => job.loads.map(textOf));
  const [problem, setProblem] = useState<Error | null>(null);
  const set = (i: number, change: Partial<LoadText>) => {
    setRows(rows.map((r, j) => (j === i ? { ...r, ...change } : r)));
  };
  const save = async (over?: JobView) => {
    setProblem(null);
    try {
      seen.saved(
        await send(
          {
            kind: "setLoads",
            version: over ? (over.versions[job.id] ?? 0) : seen.version,
            loads: rows.map((r) => ({
              id: r.id,
              name: r.name,
              mass: typed(r.mass, r.massUnit, "told"),
              behind: typed(r.behind, unit, "told"),
              left: typed(r.left, unit, "told"),
              stays: r.stays,
            })),
          },
          "the loads",
        ),
      );
    } catch (e) {
      setProblem(asError(e));
    }
  };
  return (
    <Box component="section" aria-label="Loads" sx={{ mt: 3 }}>
      <Typography
        variant="h2"
        sx={{ borderTop: 2, borderColor: "text.primary", pt: 1.5 }}
      >
        Loads
      </Typography>
      <Typography color="text.secondary" sx={{ mb: 1.5 }}>
        What comes with this job and stays (a heavier engine, a winch) is in
        every prediction; a lighter engine is below zero. What is put on and
        taken off (a trailer on the bar, a full tank) is shown beside it.
      </Typography>
      {rows.map((row, i) => (
        <Box
          key={row.id}
          sx={{
            display: "grid",
            gap: 1.5,
            mb: 1.5,
            gridTemplateColumns: "repeat(auto-fill, minmax(170px, 1fr))",
          }}
        >
          <TextField
            label="What it is"
            value={row.name}
            onChange={(e) => {
              set(i, { name: e.target.value });
            }}
            {...at(problem, `loads[${i.toString()}].name`)}
          />
          <TextField
            label={`Weight, ${row.massUnit}`}
            value={row.mass}
            onChange={(e) => {
              set(i, { mass: e.target.value });
            }}
            {...at(problem, `loads[${i.toString()}].mass`)}
          />
          <TextField
            label="Behind the front axle"
            placeholder={`${unit}; ahead of it −`}
            value={row.behind}
            onChange={(e) => {
              set(i, { behind: e.target.value });
            }}
            slotProps={{ inputLabel: { shrink: true } }}
            {...at(problem, `loads[${i.toString()}].behind`)}
          />
          <TextField
            label="Left of the middle"
            placeholder="in the middle; right −"
            value={row.left}
            onChange={(e) => {
              set(i, { left: e.target.value });
            }}
            slotProps={{ inputLabel: { shrink: true } }}
            {...at(problem, `loads[${i.toString()}].left`)}
          />
          <FormControlLabel
            control={
              <Switch
                checked={row.stays}
                onChange={(e) => {
                  set(i, { stays: e.target.checked });
                }}
              />
            }
            label="Stays on"
          />
          <Button
            onClick={() => {
              setRows(rows.filter((_, j) => j !== i));
            }}
          >
            Take {row.name || "the line"} out
          </Button>
        </Box>
      ))}
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
        <Button
          onClick={() => {
            setRows([
              ...rows,
              {
                id: v7(),
                name: "",
                mass: "",
                massUnit: unit === "in" ? "lb" : "kg",
                behind: "",
                left: "",
                stays: false,
              },
            ]);
          }}
        >
          State a load
        </Button>
        <Press variant="outlined" act={() => save()}>
          Keep these loads
        </Press>
      </Box>
      <BothWays
        problem={problem}
        mine={linesOf(rows)}
        theirs={(fresh) => linesOf(fresh.document.job.loads.map(textOf))}
        onTheirs={(fresh) => {
          setRows(fresh.document.job.loads.map(textOf));
          seen.see(fresh);
          setProblem(null);
        }}
        onMine={(fresh) => save(fresh)}
      />
    </Box>
  );
}
