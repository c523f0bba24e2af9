import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { JobView, Schemas } from "../../api/client";
import { useSend } from "../../api/job";
import { BothWays } from "../../shared/BothWays";
import { useUnit } from "../../shared/Length";
import { Press } from "../../shared/Press";
import { asError, at } from "../../shared/ProblemNote";
import { fieldLabel, fieldUnit } from "../../shared/suspensions";
import { HeldHow } from "../vehicles/HeldHow";
import { ShacklePivot } from "../vehicles/ShacklePivot";
import {
  askedOf,
  commandOf,
  decisive,
  linesOf,
  textOf,
  type Axle,
  type ConversionText,
} from "./conversion";

const grid = {
  display: "grid",
  gap: 1.5,
  gridTemplateColumns: "repeat(auto-fill, minmax(235px, 1fr))",
  alignItems: "start",
} as const;

/** Says what comes under an axle: its kind, whose sheet, at which height its sizes hold, and the sizes. */
export function ConversionForm({
  axle,
  plan,
  stored,
  now,
  kinds,
  onDone,
}: {
  axle: Axle;
  /** The plan as it was seen; without a version it begins with this. */
  plan: { id: string; version: number | null };
  stored: Schemas["AxleConversion"] | undefined;
  /** The kind that is there. */
  now: Schemas["SuspensionKind"];
  kinds: Schemas["KindView"][];
  onDone: () => void;
}) {
  const unit = useUnit();
  const send = useSend();
  const [text, setText] = useState(() => textOf(stored, now));
  const [seen, setSeen] = useState(plan.version);
  const [problem, setProblem] = useState<Error | null>(null);
  const kind = kinds.find((k) => k.kind === text.suspension);
  const asked = askedOf(kind, axle);
  const first = asked.filter((s) => decisive[s.name]);
  const more = asked.filter((s) => !decisive[s.name]);
  const change = (next: Partial<ConversionText>) => {
    setText({ ...text, ...next });
  };
  const theirs = (fresh: JobView) =>
    textOf(
      fresh.document.plans
        .find((p) => p.id === plan.id)
        ?.conversions?.find((c) => c.axle === axle),
      now,
    );
  const save = async (over?: JobView) => {
    setProblem(null);
    try {
      await send(
        commandOf(
          text,
          axle,
          {
            id: plan.id,
            version: over ? (over.versions[plan.id] ?? null) : seen,
          },
          kind,
          unit,
          stored,
        ),
        `another ${axle} suspension`,
      );
      onDone();
    } catch (e) {
      setProblem(asError(e));
    }
  };
  const size = (s: Schemas["SuspensionSize"]) => {
    const of = fieldUnit(s.unit, unit, stored?.to.dimensions[s.name]);
    const here = at(problem, s.name);
    return (
      <TextField
        key={s.name}
        label={fieldLabel(s.label, of)}
        value={text.sizes[s.name] ?? ""}
        onChange={(e) => {
          change({ sizes: { ...text.sizes, [s.name]: e.target.value } });
        }}
        placeholder={s.unit === "1" ? "for example 0.5" : of}
        error={here.error}
        helperText={here.helperText ?? s.how}
        slotProps={{ inputLabel: { shrink: true } }}
      />
    );
  };
  return (
    <Box
      sx={{ borderTop: 2, borderColor: "text.primary", pt: 1.5 }}
      role="group"
      aria-label={`Another ${axle} suspension`}
    >
      <Typography variant="h2">
        Another suspension {axle === "front" ? "in front" : "at the rear"}
      </Typography>
      <Typography color="text.secondary" sx={{ mb: 1.5 }}>
        All of the old one comes off. How high the new one stands follows from
        its springs: at one height of the lips they are so long; on its wheels
        they carry the load. Take both from its sheet, or set the axle up on
        stands and tape them.
      </Typography>
      <Box sx={grid}>
        <TextField
          select
          label="What comes is a"
          value={text.suspension}
          onChange={(e) => {
            change({
              suspension: e.target.value as Schemas["SuspensionKind"],
              points: {},
            });
          }}
          helperText="The same kind where only its arms or uprights change."
        >
          {kinds.map((k) => (
            <MenuItem key={k.kind} value={k.kind}>
              {k.said}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          label="Whose sheet or drawing"
          value={text.sheet}
          onChange={(e) => {
            change({ sheet: e.target.value });
          }}
          {...at(problem, "sheet")}
          helperText={
            at(problem, "sheet").helperText ??
            "Cuts, welds and brackets are its, the card sends you there."
          }
        />
        <TextField
          label="Lips at set-up"
          value={text.setUpAt}
          placeholder={unit}
          onChange={(e) => {
            change({ setUpAt: e.target.value });
          }}
          {...at(problem, "setUpAt")}
          helperText={
            at(problem, "setUpAt").helperText ??
            "Mean of both sides, at which the sizes below hold."
          }
          slotProps={{ inputLabel: { shrink: true } }}
        />
        <TextField
          select
          label="Set up from the"
          value={text.from}
          onChange={(e) => {
            change({ from: e.target.value as "hub" | "floor" });
          }}
          {...at(problem, "from")}
          helperText="From where the walk-round reads the lips."
        >
          <MenuItem value="hub">hub</MenuItem>
          <MenuItem value="floor">floor</MenuItem>
        </TextField>
        {first.map(size)}
        <TextField
          label="Track"
          value={text.track}
          placeholder={unit}
          onChange={(e) => {
            change({ track: e.target.value });
          }}
          {...at(problem, "track")}
          helperText={
            at(problem, "track").helperText ??
            "Middle to middle of the tyres; empty where it stays."
          }
          slotProps={{ inputLabel: { shrink: true } }}
        />
      </Box>
      {kind && kind.sizes.some((s) => s.name === "leafChord") && (
        <ShacklePivot
          axle={axle}
          value={text.shacklePivot}
          onChange={(shacklePivot) => {
            change({ shacklePivot });
          }}
        />
      )}
      <details>
        <Box
          component="summary"
          sx={{ cursor: "pointer", fontWeight: 600, minHeight: 48, pt: 1.5 }}
        >
          More sizes, points, and what holds its height
        </Box>
        <HeldHow
          axle={axle}
          kind={text.suspension}
          value={text}
          onChange={change}
        />
        <Box sx={grid}>{more.map(size)}</Box>
        {kind?.archetype && (
          <>
            <Typography variant="h3" sx={{ mt: 2 }}>
              Its points at set-up
            </Typography>
            <Typography color="text.secondary" sx={{ mb: 1 }}>
              {kind.archetype.view === "along"
                ? "Along from the wheel centre, and up from the floor."
                : "Across from the middle of the vehicle, and up from the floor."}{" "}
              With all of them its lift ratio is its own.
            </Typography>
            <Box sx={grid}>
              {kind.archetype.points.map(({ name, label }) => (
                <Box
                  key={name}
                  component="fieldset"
                  sx={{ border: 0, p: 0, m: 0, minWidth: 0 }}
                >
                  <Typography component="legend" sx={{ fontWeight: 600, p: 0 }}>
                    {label}
                  </Typography>
                  <Box
                    sx={{
                      display: "grid",
                      gap: 1,
                      gridTemplateColumns: "1fr 1fr",
                      mt: 0.75,
                    }}
                  >
                    {(["across", "up"] as const).map((way) => (
                      <TextField
                        key={way}
                        label={
                          way === "up"
                            ? "Up"
                            : kind.archetype?.view === "along"
                              ? "Along"
                              : "Across"
                        }
                        value={text.points[name]?.[way] ?? ""}
                        onChange={(e) => {
                          change({
                            points: {
                              ...text.points,
                              [name]: {
                                across: text.points[name]?.across ?? "",
                                up: text.points[name]?.up ?? "",
                                [way]: e.target.value,
                              },
                            },
                          });
                        }}
                        {...at(problem, `${name}.${way}`)}
                      />
                    ))}
                  </Box>
                </Box>
              ))}
            </Box>
          </>
        )}
      </details>
      <BothWays
        problem={problem}
        mine={linesOf(text, axle, kinds)}
        theirs={(fresh) => linesOf(theirs(fresh), axle, kinds)}
        onTheirs={(fresh) => {
          setText(theirs(fresh));
          setSeen(fresh.versions[plan.id] ?? null);
          setProblem(null);
        }}
        onMine={(fresh) => save(fresh)}
      />
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, mt: 1.5 }}>
        <Press variant="contained" act={() => save()}>
          Put it into the plan
        </Press>
        <Button onClick={onDone}>Leave it</Button>
      </Box>
    </Box>
  );
}
