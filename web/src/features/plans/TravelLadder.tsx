import type { Schemas } from "../../api/client";
import { useInks } from "../../shared/theme";
import { useUnit } from "../../shared/Length";
import { showText } from "../../shared/length";
import { cornerWords } from "../../shared/quantity";
import { labels, rungs } from "./ladder";

const width = 168;
const height = 216;
const [top, foot] = [34, 34];
const bar = { x: 4, width: 26 };

/** From full bump above to full droop below, to scale, with what it was before beside it and what happens on the way. */
export function TravelLadder({
  outlook,
  range,
}: {
  outlook: Schemas["CornerOutlook"];
  range: { low: number; high: number };
}) {
  const inks = useInks();
  const unit = useUnit();
  const { droop, bump, standardDroop, standardBump } = outlook;
  const rise = outlook.rise.value ?? 0;
  if (droop.value === null && bump.value === null) {
    return (
      <p
        style={{
          margin: "8px 4px",
          fontSize: "0.85rem",
          color: inks.soft,
          lineHeight: 1.3,
        }}
      >
        Travel: {droop.cannot}
      </p>
    );
  }
  const y = (mm: number) =>
    top +
    ((range.high - mm) / (range.high - range.low)) * (height - top - foot);
  const [low, high] = [-(droop.value ?? 0), bump.value ?? 0];
  // Words stand clear of both bars.
  const ceiling = Math.min(y(high), y((standardBump.value ?? 0) + rise));
  const floor = Math.max(y(low), y(-(standardDroop.value ?? 0) + rise));
  const marks = labels(
    outlook.marks.filter(
      (m) =>
        (m.what === "bump stop meets" || m.what === "coil comes loose") &&
        m.atMm > low - 1 &&
        m.atMm < high + 1,
    ),
    y,
  );
  const cause = (down: boolean) =>
    outlook.marks.find((m) => m.ends && m.atMm < 0 === down)?.what ?? "";
  const said = [
    droop.value === null
      ? null
      : `${showText(droop.value, unit)} of droop left${standardDroop.value === null ? "" : `, ${showText(standardDroop.value, unit)} before`}`,
    bump.value === null
      ? null
      : `${showText(bump.value, unit)} of bump left${standardBump.value === null ? "" : `, ${showText(standardBump.value, unit)} before`}`,
  ]
    .filter(Boolean)
    .join("; ");
  return (
    <svg
      viewBox={`0 0 ${width.toString()} ${height.toString()}`}
      role="img"
      aria-label={`${cornerWords[outlook.corner] ?? outlook.corner}, travel at the wheel: ${said}`}
      style={{ width: "100%", maxWidth: width + 20, display: "block" }}
    >
      {standardDroop.value !== null && standardBump.value !== null && (
        <rect
          x={bar.x + bar.width + 4}
          y={y(standardBump.value + rise)}
          width={7}
          height={y(-standardDroop.value + rise) - y(standardBump.value + rise)}
          fill="none"
          stroke={inks.before}
          strokeDasharray="2 3"
        />
      )}
      <rect
        x={bar.x}
        y={y(high)}
        width={bar.width}
        height={Math.max(1, y(low) - y(high))}
        fill={inks.planned}
        fillOpacity={0.16}
        stroke={inks.planned}
        strokeWidth={1.5}
      />
      {rungs(low, high).map((mm) => (
        <line
          key={mm}
          x1={bar.x}
          x2={bar.x + 7}
          y1={y(mm)}
          y2={y(mm)}
          stroke={inks.planned}
        />
      ))}
      <line
        x1={0}
        x2={bar.x + bar.width + 14}
        y1={y(0)}
        y2={y(0)}
        stroke={inks.now}
        strokeWidth={2.5}
      />
      {[
        {
          name: "bump",
          left: bump.value,
          at: [ceiling - 18, ceiling - 5],
          why: cause(false),
        },
        {
          name: "droop",
          left: droop.value,
          at: [floor + 15, floor + 28],
          why: cause(true),
        },
      ].map(({ name, left, at, why }) => (
        <g key={name}>
          <text
            x={bar.x}
            y={at[0]}
            fontSize={14}
            fill={inks.ink}
            fontWeight={700}
          >
            {name} {left === null ? "not known" : showText(left, unit)}
          </text>
          <text x={bar.x} y={at[1]} fontSize={11.5} fill={inks.stop}>
            {why}
          </text>
        </g>
      ))}
      {marks.map((m) => (
        <g key={m.what}>
          <path
            d={`M ${(bar.x + bar.width).toString()} ${y(m.atMm).toFixed(1)} L 52 ${m.y.toFixed(1)}`}
            stroke={inks.soft}
            fill="none"
          />
          <text x={54} y={m.y + 4} fontSize={11.5} fill={inks.soft}>
            {m.what}
          </text>
        </g>
      ))}
      <text x={54} y={y(0) + 4} fontSize={11.5} fill={inks.ink}>
        ride
      </text>
    </svg>
  );
}
