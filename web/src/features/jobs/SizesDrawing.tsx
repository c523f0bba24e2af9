import Box from "@mui/material/Box";
import InputAdornment from "@mui/material/InputAdornment";
import TextField from "@mui/material/TextField";
import type { Schemas } from "../../api/client";
import { useUnit } from "../../shared/Length";
import { showText } from "../../shared/length";
import { at } from "../../shared/ProblemNote";
import { weightText } from "../../shared/quantity";
import { SideDrawing } from "../stance/SideDrawing";
import { useInks } from "../../shared/theme";
import { fields, papers, type SizesText } from "./sizes";

/** The drawing's own vehicle: rules of thumb, not the vehicle that is typed. */
const usual = {
  wheelbase: 3300,
  frontTrack: 1600,
  rearTrack: 1600,
  springBase: 1050,
  radius: 401,
  loaded: 379,
  rim: 233,
  sill: 480,
  mid: 1400,
};

function shows(
  key: keyof SizesText,
  live: { front: boolean; rear: boolean },
): boolean {
  return key === "frontSpringBase"
    ? live.front
    : key === "rearSpringBase"
      ? live.rear
      : true;
}

const scale = 0.105;
const [x0, ground, floor] = [330, 310, 530];
const x1 = x0 + usual.wheelbase * scale;
const half = (usual.frontTrack / 2) * scale;
const spring = (usual.springBase / 2) * scale;

/** The vehicle with a field where each size lies. What stays empty is estimated, and says so. */
export function SizesDrawing({
  sizes,
  kind,
  live,
  onChange,
  problem,
}: {
  sizes: SizesText;
  kind: Schemas["VehicleKind"];
  /** Which axles are live: only those rest on springs that stand inside the wheels. */
  live: { front: boolean; rear: boolean };
  onChange: (sizes: SizesText) => void;
  problem: Error | null;
}) {
  const unit = useUnit();
  const guess = (f: (typeof fields)[number]) =>
    typeof f.guess === "string"
      ? f.guess
      : f.kind === "mass"
        ? weightText(f.guess, unit)
        : showText(f.guess, unit);
  return (
    <>
      <Box
        sx={{
          position: { md: "relative" },
          aspectRatio: { md: "1000 / 560" },
          maxWidth: 1000,
          display: { xs: "grid", md: "block" },
          gridTemplateColumns: "minmax(0, 1fr) minmax(0, 1fr)",
          gap: 1.5,
        }}
      >
        <Drawing kind={kind} live={live} />
        {fields
          .filter((f) => shows(f.key, live))
          .map((f) => (
            <TextField
              key={f.key}
              label={f.label}
              value={sizes[f.key]}
              onChange={(e) => {
                onChange({ ...sizes, [f.key]: e.target.value });
              }}
              placeholder={guess(f)}
              {...at(problem, `sizes.${f.key}`)}
              slotProps={{
                inputLabel: { shrink: true },
                input: {
                  sx: { bgcolor: "background.paper" },
                  endAdornment: sizes[f.key] === "" && (
                    <InputAdornment position="end">
                      <Box
                        component="span"
                        sx={{ fontSize: "0.78rem", color: "text.secondary" }}
                      >
                        estimated
                      </Box>
                    </InputAdornment>
                  ),
                },
              }}
              sx={{
                position: { md: "absolute" },
                left: { md: `${f.left.toString()}%` },
                top: { md: `${f.top.toString()}%` },
                width: { md: "21%" },
              }}
            />
          ))}
      </Box>
      <Box
        role="group"
        aria-label="From its plates and papers"
        sx={{
          display: "grid",
          gridTemplateColumns: {
            xs: "minmax(0, 1fr)",
            sm: "repeat(3, minmax(0, 1fr))",
          },
          gap: 1.5,
          maxWidth: 1000,
          mt: 1.5,
        }}
      >
        {papers.map((f) => (
          <TextField
            key={f.key}
            label={f.label}
            value={sizes[f.key]}
            onChange={(e) => {
              onChange({ ...sizes, [f.key]: e.target.value });
            }}
            placeholder={
              f.key === "cgHeight"
                ? "where a paper says it"
                : `on its plate, ${unit === "in" ? "lb" : "kg"}`
            }
            {...at(problem, `sizes.${f.key}`)}
            slotProps={{ inputLabel: { shrink: true } }}
          />
        ))}
      </Box>
    </>
  );
}

/** From the side above, both axles from behind below, with a line to each size. */
function Drawing({
  kind,
  live,
}: {
  kind: Schemas["VehicleKind"];
  live: { front: boolean; rear: boolean };
}) {
  const inks = useInks();
  const mid = x0 + usual.mid * scale;
  const sill = ground - usual.sill * scale;
  return (
    <Box
      component="svg"
      viewBox="0 0 1000 560"
      aria-hidden
      sx={{ width: "100%", gridColumn: "1 / -1", display: "block" }}
    >
      <g opacity={0.6}>
        <SideDrawing
          shape={{ ...usual, kind }}
          body={{ front: 890, rear: 930 }}
          scale={scale}
          x0={x0}
          ground={ground}
        />
      </g>
      <path d={`M 225 ${ground.toString()} H 800`} stroke={inks.now} />
      {[170, 825].map((x, axle) => (
        <g key={x} opacity={0.6}>
          {[-half, half].map((y) => (
            <rect
              key={y}
              x={x + y - 14}
              y={floor - 2 * usual.loaded * scale}
              width={28}
              height={2 * usual.loaded * scale}
              rx={6}
              fill={inks.soft}
            />
          ))}
          <path
            d={`M ${(x - half).toFixed(0)} ${(floor - usual.loaded * scale).toFixed(0)} H ${(x + half).toFixed(0)}`}
            stroke={inks.now}
            strokeWidth={4}
          />
          {(axle === 1 ? live.rear : live.front) &&
            [-spring, spring].map((y) => (
              <rect
                key={y}
                x={x + y - 7}
                y={floor - usual.loaded * scale - 14}
                width={14}
                height={10}
                fill={inks.now}
              />
            ))}
        </g>
      ))}
      <path
        d={[
          `M ${x0.toString()} ${ground.toString()} v 26 M ${x1.toFixed(0)} ${ground.toString()} v 26 M ${x0.toString()} ${(ground + 20).toString()} H ${x1.toFixed(0)}`,
          `M ${x0.toString()} 226 V 84 M ${mid.toFixed(0)} 204 V 84 M ${x0.toString()} 92 H ${mid.toFixed(0)}`,
          `M 505 ${sill.toFixed(0)} V ${ground.toString()} M 497 ${sill.toFixed(0)} h 16`,
          `M 210 254 H 296`,
          `M 210 92 H 262 L ${x0.toString()} ${(ground - usual.loaded * scale).toFixed(0)}`,
          `M 790 92 H 744 L ${x1.toFixed(0)} ${(ground - usual.loaded * scale).toFixed(0)}`,
          `M ${(170 - half).toFixed(0)} 542 h ${(2 * half).toFixed(0)} m 0 -6 v 12 m ${(-2 * half).toFixed(0)} 0 v -12`,
          `M ${(825 - half).toFixed(0)} 542 h ${(2 * half).toFixed(0)} m 0 -6 v 12 m ${(-2 * half).toFixed(0)} 0 v -12`,
          live.rear ? `M 720 481 H ${(825 + spring).toFixed(0)}` : "",
          live.front ? `M 290 481 H ${(170 - spring).toFixed(0)}` : "",
        ].join(" ")}
        stroke={inks.marker}
        strokeWidth={1.5}
        fill="none"
      />
      <g fill={inks.soft} fontSize={13} textAnchor="middle">
        <text x={170} y={floor - 90}>
          front axle
        </text>
        <text x={825} y={floor - 90}>
          rear axle
        </text>
      </g>
    </Box>
  );
}
