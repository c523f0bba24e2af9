import Box from "@mui/material/Box";
import { useWidth } from "./useWidth";
import type { BodyLine, PlannedLine } from "./vehicle";
import { useInks } from "../../shared/theme";

/** Before, planned and now from front lip to rear lip, heights exaggerated against the level. */
export function RakeWedge({
  before,
  plan,
  now,
  small = false,
}: {
  before: BodyLine | null;
  plan: PlannedLine | null;
  now: BodyLine | null;
  /** Among others of its kind, which say once what the lines are. */
  small?: boolean;
}) {
  const [exaggeration, height, foot] = small ? [10, 48, 6] : [4, 64, 22];
  const [ref, width] = useWidth();
  const inks = useInks();
  const lines = [before, plan, now].filter((l) => l !== null);
  if (lines.length === 0) {
    return <Box ref={ref} />;
  }
  const heights = lines.flatMap((l) => [l.front, l.rear]);
  const low = Math.min(...heights);
  const high = Math.max(...heights);
  // All lines fit; the scale never grows beyond four times what the width would give a whole vehicle.
  const px = Math.min(
    (exaggeration * width) / 3400,
    (height - foot - 8) / Math.max(high - low, 30),
  );
  const y = (z: number) => height - foot - (z - low) * px;
  const path = (l: BodyLine) =>
    `M 0 ${y(l.front).toFixed(1)} L ${width.toString()} ${y(l.rear).toFixed(1)}`;
  const level = now ?? plan ?? before;
  return (
    <Box ref={ref} sx={{ minWidth: 0 }}>
      <svg
        width={width}
        height={height}
        role="img"
        aria-label="Rake before, planned and now"
        style={{ display: "block" }}
      >
        {level && (
          <path
            d={`M 0 ${y(level.front).toFixed(1)} L ${width.toString()} ${y(level.front).toFixed(1)} L ${width.toString()} ${y(level.rear).toFixed(1)} Z`}
            fill={inks.marker}
            opacity={0.16}
          />
        )}
        {plan && (
          <path
            d={`M 0 ${y(plan.front + 2 * plan.frontU).toFixed(1)} L ${width.toString()} ${y(plan.rear + 2 * plan.rearU).toFixed(1)} L ${width.toString()} ${y(plan.rear - 2 * plan.rearU).toFixed(1)} L 0 ${y(plan.front - 2 * plan.frontU).toFixed(1)} Z`}
            fill={inks.planned}
            opacity={0.14}
          />
        )}
        {before && (
          <path
            d={path(before)}
            stroke={inks.before}
            strokeWidth={2.5}
            strokeDasharray="2 4"
            fill="none"
          />
        )}
        {plan && (
          <path
            d={path(plan)}
            stroke={inks.planned}
            strokeWidth={2.5}
            strokeDasharray="9 5"
            fill="none"
          />
        )}
        {now && (
          <path d={path(now)} stroke={inks.now} strokeWidth={2.5} fill="none" />
        )}
        {!small && (
          <text
            x={width / 2}
            y={height - 5}
            textAnchor="middle"
            fontSize={width < 200 ? 10 : 12}
            fill={inks.soft}
          >
            {width < 260
              ? `height ×${exaggeration.toString()}`
              : `·· before   – – planned   — now   (height ×${exaggeration.toString()})`}
          </text>
        )}
      </svg>
    </Box>
  );
}
