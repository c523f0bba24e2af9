import { useUnit } from "../../shared/Length";
import { showText } from "../../shared/length";
import { useInks } from "../../shared/theme";
import {
  figureText,
  placeAt,
  standing,
  type Mechanism,
  type Travel,
  type Way,
} from "./geometry";
import { useWayLine } from "./MechanismDrawing";

const [width, height] = [300, 222];
const [left, top, right, foot] = [10, 22, 10, 40];

/** The number that matters, across, through the travel, up: as it was, lifted and the chosen way. */
export function TravelCurve({
  mechanism,
  chosen,
  up,
}: {
  mechanism: Mechanism;
  chosen: Way;
  up: number;
}) {
  const inks = useInks();
  const unit = useUnit();
  const line = useWayLine();
  const shown = mechanism.ways.filter(
    (w): w is Way & { travel: Travel } =>
      w.travel !== null &&
      (w === chosen || w.kind === "before" || w.kind === "lifted"),
  );
  const first = shown[0]?.travel;
  const of = standing(mechanism)?.figure.unit;
  if (!first || of === undefined) {
    return null;
  }
  const limit = mechanism.limit ?? 0;
  const all = [
    ...shown.flatMap((w) => w.travel.figure),
    ...(mechanism.limit === null ? [] : [limit, -limit]),
    0,
  ];
  const [least, most] = [Math.min(...all), Math.max(...all)];
  const span = Math.max(most - least, 1e-6);
  const x = (v: number) => left + ((v - least) / span) * (width - left - right);
  const lowest = Math.min(...shown.map((w) => w.travel.upMm[0] ?? 0));
  const highest = Math.max(...shown.map((w) => w.travel.upMm.at(-1) ?? 0));
  const y = (mm: number) =>
    top + ((highest - mm) / (highest - lowest)) * (height - top - foot);
  const n = (v: number) => v.toFixed(1);
  const now = chosen.travel
    ? chosen.travel.figure[placeAt(chosen.travel, up)]
    : undefined;
  return (
    <svg
      viewBox={`0 0 ${width.toString()} ${height.toString()}`}
      role="img"
      aria-label={`${mechanism.figureLabel}, through the travel: ${shown
        .map(
          (w) =>
            `${w.said} from ${figureText(w.travel.figure[0] ?? 0, of, unit)} at full droop to ${figureText(w.travel.figure.at(-1) ?? 0, of, unit)} at full bump`,
        )
        .join("; ")}`}
      style={{ width: "100%", maxWidth: width }}
    >
      {mechanism.limit !== null && (
        <rect
          x={x(-limit)}
          y={top}
          width={x(limit) - x(-limit)}
          height={height - top - foot}
          fill={inks.good}
          fillOpacity={0.13}
        />
      )}
      <path
        d={`M${n(x(0))} ${top.toString()}V${(height - foot).toString()}`}
        stroke={inks.line}
      />
      <path
        d={`M${left.toString()} ${n(y(up))}H${(width - right).toString()}`}
        stroke={inks.marker}
        strokeWidth={2}
      />
      {shown
        .toSorted((a, b) => Number(a === chosen) - Number(b === chosen))
        .map((w) => (
          <path
            key={w.said}
            d={`M${w.travel.upMm.map((mm, i) => `${n(x(w.travel.figure[i] ?? 0))} ${n(y(mm))}`).join("L")}`}
            fill="none"
            {...line(w.kind, w === chosen)}
            strokeWidth={w === chosen ? 3.5 : 2.5}
          />
        ))}
      {now !== undefined && (
        <CurveDot
          x={x(now)}
          y={y(up)}
          says={figureText(now, of, unit)}
          between={[40, width - 40]}
        />
      )}
      <text x={left} y={14} fontSize={12} fill={inks.soft}>
        {showText(highest, unit)} up
      </text>
      <text x={left} y={height - foot + 15} fontSize={12} fill={inks.soft}>
        {showText(-lowest, unit)} down
      </text>
      <text
        x={width - right}
        y={height - foot + 15}
        fontSize={12}
        textAnchor="end"
        fill={inks.soft}
      >
        {figureText(least, of, unit)} … {figureText(most, of, unit)}
      </text>
      {mechanism.limit !== null && (
        <text x={left} y={height - 6} fontSize={12} fill={inks.good}>
          green: within {figureText(limit, of, unit)}
          {mechanism.limitIsRule
            ? ", a rule of thumb"
            : mechanism.rule
              ? ", our own limit"
              : ", as entered"}
        </text>
      )}
    </svg>
  );
}

/** Where a curve stands now, with its number. */
export function CurveDot({
  x,
  y,
  says,
  between,
}: {
  x: number;
  y: number;
  says: string;
  /** Least and most that the number's middle may lie at. */
  between: [number, number];
}) {
  const inks = useInks();
  return (
    <>
      <circle
        cx={x}
        cy={y}
        r={6}
        fill={inks.marker}
        stroke={inks.paper}
        strokeWidth={2}
      />
      <text
        x={Math.max(between[0], Math.min(between[1], x))}
        y={Math.max(18, y - 11)}
        fontSize={15}
        fontWeight={700}
        textAnchor="middle"
        fill={inks.ink}
        stroke={inks.tag}
        strokeWidth={4}
        paintOrder="stroke"
      >
        {says}
      </text>
    </>
  );
}
