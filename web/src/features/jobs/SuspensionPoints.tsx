import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useJob, type useSeenVersion, useSend } from "../../api/job";
import { useInks } from "../../app/theme";
import { useUnit } from "../../shared/Length";
import { asError, at, ProblemNote } from "../../shared/ProblemNote";
import { retypedLength, typed } from "../../shared/quantity";

/** The points of a coil-over on an arm, with an invented suspension that shows where they lie (mm across, up). */
const points = [
  { name: "lowerPivot", label: "Lower arm, inner pivot", y: 230, z: 250 },
  { name: "lowerBallJoint", label: "Lower ball joint", y: 620, z: 215 },
  { name: "upperPivot", label: "Upper arm, inner pivot", y: 330, z: 585 },
  { name: "upperBallJoint", label: "Upper ball joint", y: 600, z: 560 },
  { name: "strutFoot", label: "Strut foot", y: 455, z: 245 },
  { name: "strutTop", label: "Strut top", y: 405, z: 770 },
  { name: "wheelCentre", label: "Wheel centre", y: 690, z: 385 },
] as const;

type Texts = Record<string, { y: string; z: string }>;

function textsOf(s: Schemas["Suspension"]): Texts {
  return Object.fromEntries(
    points.map(({ name }) => {
      const p = s.points.find((x) => x.name === name);
      return [
        name,
        {
          y: retypedLength(p?.y ?? null),
          z: retypedLength(p?.z ?? null),
        },
      ];
    }),
  );
}

/** Seven points of the front suspension; with all of them the lift ratio is this vehicle's own. */
export function SuspensionPoints({
  seen,
}: {
  seen: ReturnType<typeof useSeenVersion>;
}) {
  const view = useJob();
  const unit = useUnit();
  const send = useSend();
  const suspension = view.document.vehicle.front;
  const [texts, setTexts] = useState(() => textsOf(suspension));
  const [chosen, setChosen] = useState<string | null>(null);
  const [problem, setProblem] = useState<Error | null>(null);
  const taped = view.taped.find((t) => t.axle === "front");
  const given = points.filter(
    ({ name }) => texts[name]?.y && texts[name].z,
  ).length;

  const save = async () => {
    setProblem(null);
    try {
      seen.saved(
        await send(
          "PUT",
          "/suspension-points",
          {
            version: seen.version,
            axle: "front",
            points: points.map(({ name }) => ({
              name,
              y: typed(texts[name]?.y ?? "", unit),
              z: typed(texts[name]?.z ?? "", unit),
            })),
          },
          "the suspension's points",
        ),
      );
    } catch (e) {
      setProblem(asError(e));
    }
  };

  if (suspension.kind !== "coilOverArm") {
    return null;
  }
  return (
    <Box component="section">
      <Typography variant="h2" sx={{ mt: 3 }}>
        Front suspension, its points
      </Typography>
      <Typography sx={{ fontWeight: 600, my: 0.5 }} role="status">
        {taped
          ? `● One inch of plate lifts about ${taped.liftRatio.toFixed(2)} in, ± 10 %: by its own points (motion ratio ${taped.motionRatio.toFixed(3)}).`
          : `○ Lift ratio 1.9 ± 0.6, a rule of thumb: ${given.toString()} of 7 points taped. All seven make it ± 10 %.`}
      </Typography>
      <Typography color="text.secondary">
        One side, at ride height on level ground, without a spacer: across from
        the middle of the vehicle, and up from the floor. To 1/8 in (3 mm) is
        good enough. ■ On its wheels; nobody under a vehicle that a jack holds.
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
        <PointsDrawing chosen={chosen} />
        <Box
          sx={{
            display: "grid",
            columnGap: 2,
            rowGap: 1.25,
            alignContent: "start",
            gridTemplateColumns: "repeat(auto-fill, minmax(250px, 1fr))",
          }}
        >
          {points.map(({ name, label }, i) => (
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
                {(["y", "z"] as const).map((axis) => (
                  <TextField
                    key={axis}
                    label={axis === "y" ? "Across" : "Up"}
                    value={texts[name]?.[axis] ?? ""}
                    onChange={(e) => {
                      setTexts({
                        ...texts,
                        [name]: {
                          y: texts[name]?.y ?? "",
                          z: texts[name]?.z ?? "",
                          [axis]: e.target.value,
                        },
                      });
                    }}
                    slotProps={{
                      htmlInput: {
                        "aria-label": `${label}, ${axis === "y" ? "across" : "up"}`,
                      },
                    }}
                    {...at(problem, `${name}.${axis}`)}
                  />
                ))}
              </Box>
            </Box>
          ))}
        </Box>
      </Box>
      <Button variant="outlined" sx={{ mt: 1.5 }} onClick={() => void save()}>
        Keep these points
      </Button>
      <ProblemNote problem={problem} />
    </Box>
  );
}

/** Front view to scale: what each number on the drawing means. */
function PointsDrawing({ chosen }: { chosen: string | null }) {
  const inks = useInks();
  const by = Object.fromEntries(points.map((p) => [p.name, p]));
  const x = (p: { y: number } | undefined) => 20 + (p?.y ?? 0) * 0.36;
  const y = (p: { z: number } | undefined) => 310 - (p?.z ?? 0) * 0.36;
  const line = (a: string, b: string, width = 3) => (
    <line
      x1={x(by[a])}
      y1={y(by[a])}
      x2={x(by[b])}
      y2={y(by[b])}
      stroke={inks.ink}
      strokeWidth={width}
    />
  );
  return (
    <svg
      viewBox="0 0 340 330"
      role="img"
      aria-label="Front view of one side: where the seven points lie"
      style={{ width: "100%", maxWidth: 340 }}
    >
      <line
        x1={0}
        y1={310}
        x2={340}
        y2={310}
        stroke={inks.ink}
        strokeWidth={2}
      />
      <line
        x1={20}
        y1={20}
        x2={20}
        y2={310}
        stroke={inks.ink}
        strokeDasharray="6 4"
      />
      <text x={26} y={30} fill={inks.ink} fontSize={13}>
        middle
      </text>
      <rect
        x={x({ y: 640 })}
        y={y({ z: 770 })}
        width={265 * 0.36 * 0.72}
        height={770 * 0.36}
        rx={14}
        fill="none"
        stroke={inks.ink}
        strokeWidth={1.5}
      />
      {line("lowerPivot", "lowerBallJoint")}
      {line("upperPivot", "upperBallJoint")}
      {line("lowerBallJoint", "upperBallJoint", 5)}
      {line("strutFoot", "strutTop", 7)}
      {points.map((p, i) => (
        <g key={p.name}>
          <circle
            cx={x(p)}
            cy={y(p)}
            r={11}
            fill={chosen === p.name ? inks.now : inks.paper}
            stroke={inks.ink}
            strokeWidth={2}
          />
          <text
            x={x(p)}
            y={y(p) + 4.5}
            textAnchor="middle"
            fontSize={13}
            fontWeight={700}
            fill={chosen === p.name ? inks.paper : inks.ink}
          >
            {i + 1}
          </text>
        </g>
      ))}
    </svg>
  );
}
