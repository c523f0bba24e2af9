import { Press } from "../../shared/Press";
import { currentStage } from "../../api/document";
import Box from "@mui/material/Box";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { JobView, Schemas } from "../../api/client";
import { useJob, type useSeenVersion, useSend } from "../../api/job";
import { useUnit } from "../../shared/Length";
import { BothWays, type Lines } from "../../shared/BothWays";
import { asError, at } from "../../shared/ProblemNote";
import { retypedWithUnit, typed } from "../../shared/quantity";
import { ArchetypeDrawing, type Place } from "./ArchetypeDrawing";

type Texts = Record<string, { across: string; up: string }>;

function textsOf(
  s: Schemas["Suspension"],
  archetype: Schemas["Archetype"],
): Texts {
  return Object.fromEntries(
    archetype.points.map(({ name }) => {
      const p = s.points.find((x) => x.name === name);
      return [
        name,
        {
          across: retypedWithUnit(
            (archetype.view === "along" ? p?.x : p?.y) ?? null,
          ),
          up: retypedWithUnit(p?.z ?? null),
        },
      ];
    }),
  );
}

const mmOf = (q: Schemas["Quantity"] | null) =>
  q === null
    ? null
    : q.value * (q.unit === "in" ? 25.4 : q.unit === "cm" ? 10 : 1);

/** The points of one axle; with all of them the lift ratio is this vehicle's own. */
export function PointsForm({
  axle,
  archetype,
  seen,
}: {
  axle: "front" | "rear";
  archetype: Schemas["Archetype"];
  seen: ReturnType<typeof useSeenVersion>;
}) {
  const view = useJob();
  const unit = useUnit();
  const send = useSend();
  const suspension = currentStage(view.document)[axle];
  const [texts, setTexts] = useState(() => textsOf(suspension, archetype));
  const [chosen, setChosen] = useState<string | null>(null);
  const [problem, setProblem] = useState<Error | null>(null);
  const along = archetype.view === "along";
  const given = archetype.points.filter(
    ({ name }) => texts[name]?.across && texts[name].up,
  ).length;
  // As soon as every point is stored the drawing shows this vehicle, not the usual one.
  const own = archetype.points.map((p): Place | null => {
    const stored = suspension.points.find((x) => x.name === p.name);
    const across = mmOf((along ? stored?.x : stored?.y) ?? null);
    const up = mmOf(stored?.z ?? null);
    return across !== null && up !== null
      ? { name: p.name, y: along ? across : Math.abs(across), z: up }
      : null;
  });
  const places = own.every((p) => p !== null)
    ? own
    : archetype.points.map((p) => ({ name: p.name, ...p.at }));

  const linesOf = (of: Texts): Lines =>
    Object.fromEntries(
      archetype.points.map(({ name, label }) => [
        label,
        [of[name]?.across, of[name]?.up && `up ${of[name].up}`]
          .filter(Boolean)
          .join(", "),
      ]),
    );

  const save = async (over?: JobView) => {
    setProblem(null);
    try {
      seen.saved(
        await send(
          {
            kind: "setPoints",
            version: over
              ? (over.versions[currentStage(over.document).id] ?? 0)
              : seen.version,
            axle,
            points: archetype.points.map(({ name }) => ({
              name,
              across: typed(texts[name]?.across ?? "", unit),
              up: typed(texts[name]?.up ?? "", unit),
            })),
          },
          "the suspension's points",
        ),
      );
    } catch (e) {
      setProblem(asError(e));
    }
  };

  return (
    <Box>
      <Typography color="text.secondary">
        {along
          ? "One side, seen from the side, at ride height on level ground, without added parts: along from the wheel centre towards the arm's pivot (beyond the wheel centre below zero), and up from the floor."
          : "One side, at ride height on level ground, without added parts: across from the middle of the vehicle, and up from the floor."}{" "}
        To 1/8 in (3 mm) is good enough; {given} of {archetype.points.length}{" "}
        taped. ■ On its wheels; nobody under a vehicle that a jack holds.
      </Typography>
      <Box
        sx={{
          display: "grid",
          gap: 2,
          mt: 1.5,
          gridTemplateColumns: {
            xs: "minmax(0,1fr)",
            md: "340px minmax(0,1fr)",
          },
        }}
      >
        <ArchetypeDrawing
          archetype={archetype}
          places={places}
          chosen={chosen}
        />
        <Box
          sx={{
            display: "grid",
            columnGap: 2,
            rowGap: 1.25,
            alignContent: "start",
            gridTemplateColumns: "repeat(auto-fill, minmax(235px, 1fr))",
          }}
        >
          {archetype.points.map(({ name, label }, i) => (
            <Box
              key={name}
              component="fieldset"
              sx={{ border: 0, p: 0, m: 0, minWidth: 0 }}
              onFocus={() => {
                setChosen(name);
              }}
            >
              <Typography
                component="legend"
                sx={{ fontWeight: 600, p: 0, mb: 0.75 }}
              >
                {i + 1} {label}
              </Typography>
              <Box
                sx={{ display: "grid", gap: 1, gridTemplateColumns: "1fr 1fr" }}
              >
                {(["across", "up"] as const).map((axis) => {
                  const said =
                    axis === "up" ? "Up" : along ? "Along" : "Across";
                  return (
                    <TextField
                      key={axis}
                      label={said}
                      value={texts[name]?.[axis] ?? ""}
                      onChange={(e) => {
                        setTexts({
                          ...texts,
                          [name]: {
                            across: texts[name]?.across ?? "",
                            up: texts[name]?.up ?? "",
                            [axis]: e.target.value,
                          },
                        });
                      }}
                      slotProps={{
                        htmlInput: {
                          "aria-label": `${label}, ${said.toLowerCase()}, ${axle}`,
                        },
                      }}
                      {...at(problem, `${name}.${axis}`)}
                    />
                  );
                })}
              </Box>
            </Box>
          ))}
        </Box>
      </Box>
      <Press variant="outlined" sx={{ mt: 1.5 }} act={() => save()}>
        Keep the {axle} points
      </Press>
      <BothWays
        problem={problem}
        mine={linesOf(texts)}
        theirs={(fresh) =>
          linesOf(textsOf(currentStage(fresh.document)[axle], archetype))
        }
        onTheirs={(fresh) => {
          setTexts(textsOf(currentStage(fresh.document)[axle], archetype));
          seen.see(fresh);
          setProblem(null);
        }}
        onMine={(fresh) => save(fresh)}
      />
    </Box>
  );
}
