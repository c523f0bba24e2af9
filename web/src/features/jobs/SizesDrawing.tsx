import Box from "@mui/material/Box";
import InputAdornment from "@mui/material/InputAdornment";
import TextField from "@mui/material/TextField";
import type { Schemas } from "../../api/client";
import { useUnit } from "../../shared/Length";
import { showText, type LengthUnit } from "../../shared/length";
import { at } from "../../shared/ProblemNote";
import { typed } from "../../shared/quantity";
import { SideDrawing } from "../stance/SideDrawing";
import { useInks } from "../../app/theme";

/** What is typed about a vehicle's sizes; an empty text is not known. */
export interface SizesText {
  wheelbase: string;
  frontTrack: string;
  rearTrack: string;
  rearSpringBase: string;
  frontAxleMass: string;
  rearAxleMass: string;
  frontUnsprungShare: string;
  rearUnsprungShare: string;
  sillHeight: string;
  midMark: string;
  tyreSize: string;
}

export const noSizes: SizesText = {
  wheelbase: "",
  frontTrack: "",
  rearTrack: "",
  rearSpringBase: "",
  frontAxleMass: "",
  rearAxleMass: "",
  frontUnsprungShare: "",
  rearUnsprungShare: "",
  sillHeight: "",
  midMark: "",
  tyreSize: "",
};

export function sizesBody(
  s: SizesText,
  unit: LengthUnit,
): Schemas["VehicleSizes"] {
  const mass = unit === "in" ? "lb" : "kg";
  return {
    wheelbase: typed(s.wheelbase, unit),
    frontTrack: typed(s.frontTrack, unit),
    rearTrack: typed(s.rearTrack, unit),
    rearSpringBase: typed(s.rearSpringBase, unit),
    frontAxleMass: typed(s.frontAxleMass, mass, "document"),
    rearAxleMass: typed(s.rearAxleMass, mass, "document"),
    frontUnsprungShare: typed(s.frontUnsprungShare, "1", "told"),
    rearUnsprungShare: typed(s.rearUnsprungShare, "1", "told"),
    sillHeight: typed(s.sillHeight, unit),
    midMark: typed(s.midMark, unit),
    tyreSize: s.tyreSize.trim() || null,
  };
}

const shape = {
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

/** Where each field lies, in % of the drawing, and what is assumed when it stays empty. */
const fields: {
  key: keyof SizesText;
  label: string;
  left: number;
  top: number;
  guess: number | string;
  kind: "length" | "mass" | "share" | "text";
}[] = [
  {
    key: "sillHeight",
    label: "Sill above floor",
    left: 37,
    top: 23,
    guess: 480,
    kind: "length",
  },
  {
    key: "wheelbase",
    label: "Wheelbase",
    left: 37,
    top: 50,
    guess: 3300,
    kind: "length",
  },
  {
    key: "midMark",
    label: "Front axle to mid mark",
    left: 37,
    top: 2,
    guess: 1386,
    kind: "length",
  },
  {
    key: "tyreSize",
    label: "Tyre size",
    left: 3,
    top: 50,
    guess: "265/70R17",
    kind: "text",
  },
  {
    key: "frontTrack",
    label: "Front track",
    left: 3,
    top: 76,
    guess: 1600,
    kind: "length",
  },
  {
    key: "rearTrack",
    label: "Rear track",
    left: 78,
    top: 76,
    guess: 1600,
    kind: "length",
  },
  {
    key: "rearSpringBase",
    label: "Between rear springs",
    left: 78,
    top: 50,
    guess: 1056,
    kind: "length",
  },
  {
    key: "frontAxleMass",
    label: "Weight on front axle",
    left: 3,
    top: 23,
    guess: 1150,
    kind: "mass",
  },
  {
    key: "rearAxleMass",
    label: "Weight on rear axle",
    left: 78,
    top: 23,
    guess: 850,
    kind: "mass",
  },
  {
    key: "frontUnsprungShare",
    label: "Unsprung share, front",
    left: 3,
    top: 2,
    guess: "0.12",
    kind: "share",
  },
  {
    key: "rearUnsprungShare",
    label: "Unsprung share, rear",
    left: 78,
    top: 2,
    guess: "0.20",
    kind: "share",
  },
];

/** The vehicle with a field where each size lies. What stays empty is estimated, and says so. */
export function SizesDrawing({
  sizes,
  onChange,
  problem,
}: {
  sizes: SizesText;
  onChange: (sizes: SizesText) => void;
  problem: Error | null;
}) {
  const unit = useUnit();
  const inks = useInks();
  const guess = (f: (typeof fields)[number]) =>
    typeof f.guess === "string"
      ? f.guess
      : f.kind === "mass"
        ? unit === "in"
          ? `${Math.round(f.guess * 2.2046).toString()} lb`
          : `${f.guess.toString()} kg`
        : showText(f.guess, unit);
  const scale = 0.115;
  const [x0, ground] = [232, 268];
  const x1 = x0 + shape.wheelbase * scale;
  return (
    <Box
      sx={{
        position: { md: "relative" },
        height: { md: 440 },
        maxWidth: 1000,
        display: { xs: "grid", md: "block" },
        gridTemplateColumns: "minmax(0, 1fr) minmax(0, 1fr)",
        gap: 1.5,
      }}
    >
      <Box
        component="svg"
        viewBox="0 0 860 380"
        aria-hidden
        sx={{
          width: "100%",
          height: { xs: "auto", md: 440 },
          gridColumn: "1 / -1",
          display: "block",
        }}
      >
        <g opacity={0.55}>
          <SideDrawing
            shape={shape}
            body={{ front: 890, rear: 930 }}
            scale={scale}
            x0={x0}
            ground={ground}
          />
        </g>
        <line x1={150} x2={730} y1={ground} y2={ground} stroke={inks.now} />
        <path
          d={`M ${x0.toString()} ${ground.toString()} v 24 M ${x1.toFixed(0)} ${ground.toString()} v 24 M ${x0.toString()} ${(ground + 16).toString()} H ${x1.toFixed(0)}`}
          stroke={inks.marker}
          fill="none"
        />
      </Box>
      {fields.map((f) => (
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
            width: { md: f.left === 37 ? 235 : 205 },
          }}
        />
      ))}
    </Box>
  );
}
