import Box from "@mui/material/Box";
import FormControl from "@mui/material/FormControl";
import FormControlLabel from "@mui/material/FormControlLabel";
import FormLabel from "@mui/material/FormLabel";
import Radio from "@mui/material/Radio";
import RadioGroup from "@mui/material/RadioGroup";
import type { Schemas } from "../../api/client";
import { useInks } from "../../shared/theme";

export type Pivot = Schemas["ShacklePivot"];

/** Where it stands, as said. */
export const pivots: Record<Pivot, string> = {
  aboveEye: "above the spring's eye",
  belowEye: "below the spring's eye",
};

const does: Record<Pivot, string> = {
  aboveEye: "it is pushed, a longer one lifts",
  belowEye: "it is pulled, a longer one lowers",
};

/** The end of the leaf with its shackle: the frame's pivot above the eye, or below it. */
function Sketch({ pivot }: { pivot: Pivot }) {
  const inks = useInks();
  const y = pivot === "aboveEye" ? 26 : 98;
  return (
    <svg
      viewBox="0 0 150 124"
      style={{ width: 150, display: "block" }}
      aria-hidden
    >
      <path d="M4 12H146" stroke={inks.ink} strokeWidth={5} />
      <path
        d={`M128 12V${y.toString()}H118`}
        fill="none"
        stroke={inks.ink}
        strokeWidth={5}
      />
      <path
        d="M8 104Q60 92 100 62M18 112Q58 104 84 84"
        fill="none"
        stroke={inks.ink}
        strokeWidth={4}
      />
      <path
        d={`M100 62L116 ${y.toString()}`}
        stroke={inks.now}
        strokeWidth={6}
        strokeLinecap="round"
      />
      {[
        [100, 62],
        [116, y],
      ].map(([cx, cy]) => (
        <circle
          key={cx}
          cx={cx}
          cy={cy}
          r={6.5}
          fill={inks.paper}
          stroke={inks.ink}
          strokeWidth={2.5}
        />
      ))}
    </svg>
  );
}

/** Asks where the shackle hangs: never assumed, because it turns the sign. */
export function ShacklePivot({
  axle,
  value,
  onChange,
}: {
  axle: "front" | "rear";
  value: Pivot | null;
  onChange: (value: Pivot) => void;
}) {
  return (
    <FormControl sx={{ mt: 1, mb: 2 }}>
      <FormLabel id={`shackle-${axle}`}>
        The shackle&apos;s pivot on the frame stands
        {value === null && " – say which, before a shackle can be foretold"}
      </FormLabel>
      <RadioGroup
        row
        aria-labelledby={`shackle-${axle}`}
        value={value}
        onChange={(e) => {
          onChange(e.target.value as Pivot);
        }}
        sx={{ gap: 2 }}
      >
        {(Object.keys(pivots) as Pivot[]).map((p) => (
          <FormControlLabel
            key={p}
            value={p}
            control={<Radio />}
            label={
              <Box sx={{ maxWidth: 260, py: 0.5 }}>
                <Sketch pivot={p} />
                {pivots[p]}: {does[p]}
              </Box>
            }
          />
        ))}
      </RadioGroup>
    </FormControl>
  );
}
