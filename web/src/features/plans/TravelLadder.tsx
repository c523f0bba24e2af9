import type { Schemas } from "../../api/client";
import { useInks } from "../../shared/theme";
import { useUnit } from "../../shared/Length";
import { showText } from "../../shared/length";
import { cornerWords } from "../../shared/quantity";
import { labels, rungs } from "./ladder";

const width = 102;
const height = 236;
const [top, foot] = [52, 50];
const bar = { x: 4, width: 20 };
/** Where words stand that lie beside the bars. */
const beside = bar.x + bar.width + 16;

/** Words in lines that are no longer than the ladder is wide. */
const lines = (words: string, most: number) =>
  words.split(" ").reduce<string[]>((all, word) => {
    const last = all.at(-1);
    return last !== undefined && last.length + word.length < most
      ? [...all.slice(0, -1), `${last} ${word}`]
      : [...all, word];
  }, []);

/** What happens on the way, in as many letters as stand beside the bars. */
const onTheWay: Record<string, string> = {
  "bump stop meets": "stop meets",
  "coil comes loose": "coil loose",
};

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
        { name: "bump", left: bump.value, why: cause(false), up: true },
        { name: "droop", left: droop.value, why: cause(true), up: false },
      ].map(({ name, left, why, up }) => {
        const said = lines(why, 16);
        // Above the bars the last line stands next to them, below them the first.
        const from = up ? ceiling - 5 - 13 * said.length : floor + 15;
        return (
          <g key={name}>
            <text
              x={bar.x}
              y={from}
              fontSize={13}
              fill={inks.ink}
              fontWeight={700}
            >
              {name} {left === null ? "?" : showText(left, unit)}
            </text>
            {said.map((line, i) => (
              <text
                key={line}
                x={bar.x}
                y={from + 13 * (i + 1)}
                fontSize={11.5}
                fill={inks.stop}
              >
                {line}
              </text>
            ))}
          </g>
        );
      })}
      {marks.map((m) => (
        <g key={m.what}>
          <path
            d={`M ${(bar.x + bar.width).toString()} ${y(m.atMm).toFixed(1)} L ${(beside - 2).toString()} ${m.y.toFixed(1)}`}
            stroke={inks.soft}
            fill="none"
          />
          <text x={beside} y={m.y + 4} fontSize={10.5} fill={inks.soft}>
            {onTheWay[m.what] ?? m.what}
          </text>
        </g>
      ))}
      <text x={beside} y={y(0) + 4} fontSize={11.5} fill={inks.ink}>
        ride
      </text>
    </svg>
  );
}
