import type { Schemas } from "../../../api/client";
import { cornerWords } from "../../../shared/quantity";
import { shapeOf } from "../../stance/vehicle";
import { useInks } from "../../../shared/theme";

const scale = 0.094;
const [x0, y0] = [110, 132];
/** Stations are drawn a little outside the body, where a person stands. */
const outside = 1.22;

/** The vehicle from above with its stations on the path that a person walks; in placing, a tap says where a new one is. */
export function TopDrawing({
  vehicle,
  order,
  current,
  done,
  onChoose,
  onPlace,
  placing,
}: {
  vehicle: Schemas["Vehicle"];
  order: string[];
  current: string;
  done: (station: string) => boolean;
  onChoose: (station: string) => void;
  onPlace: ((x: number, y: number) => void) | undefined;
  placing: { x: number; y: number } | null;
}) {
  const inks = useInks();
  const shape = shapeOf(vehicle);
  // Seen from above with the nose to the left: x backward goes right, y to the vehicle's left goes down.
  const place = (s: Schemas["Station"]): readonly [number, number] => [
    x0 - s.x.value * scale,
    y0 + s.y.value * scale,
  ];
  const rear = x0 + shape.wheelbase * scale;
  const out = (y: number) => y0 + (y - y0) * outside;
  const stations = order
    .map((name) => vehicle.stations.find((s) => s.name === name))
    .filter((s) => s !== undefined);
  // A person walks round an end of the vehicle, not through it.
  const path = stations
    .map((s, i) => {
      const [x, y] = place(s);
      const last = stations[i - 1];
      const [, y1] = last ? place(last) : [0, y];
      const end = x > (x0 + rear) / 2 ? rear + 122 : x0 - 100;
      const round =
        last && (y1 - y0) * (y - y0) < 0
          ? `H ${end.toFixed(1)} V ${out(y).toFixed(1)} `
          : "";
      return `${i === 0 ? "M" : `${round}L`} ${x.toFixed(1)} ${out(y).toFixed(1)}`;
    })
    .join(" ");
  const w = (shape.frontTrack / 2 + 40) * scale;
  return (
    // A click fills the fields beside it; keys reach those themselves.
    // oxlint-disable-next-line jsx-a11y/click-events-have-key-events, jsx-a11y/no-noninteractive-element-interactions
    <svg
      viewBox="0 0 560 264"
      width="100%"
      role="group"
      aria-label="Stations, seen from above"
      style={{
        display: "block",
        maxWidth: 620,
        cursor: onPlace ? "crosshair" : undefined,
      }}
      onClick={(e) => {
        if (onPlace) {
          const box = e.currentTarget.getBoundingClientRect();
          const px = ((e.clientX - box.left) / box.width) * 560;
          const py = ((e.clientY - box.top) / box.height) * 264;
          onPlace(
            Math.round((x0 - px) / scale),
            Math.round((py - y0) / scale / outside),
          );
        }
      }}
    >
      <path
        d={`M ${(x0 - 70).toString()} ${(y0 - w * 0.8).toString()} Q ${(x0 - 84).toString()} ${y0.toString()} ${(x0 - 70).toString()} ${(y0 + w * 0.8).toString()} L ${(x0 - 40).toString()} ${(y0 + w).toString()} H ${(rear + 100).toString()} V ${(y0 - w).toString()} H ${(x0 - 40).toString()} Z`}
        fill={inks.tag}
        stroke={inks.now}
        strokeWidth={1.5}
      />
      <path
        d={`M ${(x0 + 70).toString()} ${(y0 - w * 0.82).toString()} Q ${(x0 + 48).toString()} ${y0.toString()} ${(x0 + 70).toString()} ${(y0 + w * 0.82).toString()} H ${(x0 + 200).toString()} V ${(y0 - w * 0.82).toString()} Z M ${(x0 + 210).toString()} ${(y0 - w).toString()} V ${(y0 + w).toString()}`}
        fill={inks.paper}
        stroke={inks.line}
      />
      {[x0, rear].flatMap((x) =>
        [-1, 1].map((side) => (
          <rect
            key={`${x.toString()} ${side.toString()}`}
            x={x - shape.radius * scale}
            y={y0 + (side * shape.frontTrack * scale) / 2 - 11}
            width={2 * shape.radius * scale}
            height={22}
            rx={4}
            fill={inks.soft}
          />
        )),
      )}
      <path
        d={path}
        fill="none"
        stroke={inks.soft}
        strokeWidth={1.5}
        strokeDasharray="3 5"
      />
      {stations.slice(0, 1).map((s) => {
        const [x, y] = place(s);
        return (
          <text
            key={s.name}
            x={x + 26}
            y={out(y) + 24}
            fontSize={12}
            fill={inks.soft}
          >
            start
          </text>
        );
      })}
      {stations.map((s) => {
        const [x, inner] = place(s);
        const y = out(inner);
        const isHere = s.name === current;
        const isDone = done(s.name);
        return (
          <g
            key={s.name}
            role="button"
            tabIndex={0}
            aria-label={`${s.name}, ${cornerWords[s.name] ?? s.name}${isDone ? ", ✓ read" : ", not read"}`}
            aria-current={isHere ? "step" : undefined}
            style={{ cursor: "pointer" }}
            onClick={() => {
              onChoose(s.name);
            }}
            onKeyDown={(e) => {
              if (e.key === "Enter" || e.key === " ") {
                e.preventDefault();
                onChoose(s.name);
              }
            }}
          >
            <circle cx={x} cy={y} r={26} fill="transparent" />
            <circle
              cx={x}
              cy={y}
              r={19}
              fill={isHere ? inks.marker : inks.tag}
              stroke={isHere ? inks.marker : inks.now}
              strokeWidth={2}
              strokeDasharray={isDone || isHere ? undefined : "4 3"}
            />
            <text
              x={x}
              y={y + 5}
              textAnchor="middle"
              fontSize={14}
              fontWeight={700}
              fill={isHere ? inks.paper : inks.now}
            >
              {isDone && !isHere ? "✓" : mark(s.name)}
            </text>
            {isDone && !isHere && (
              <text
                x={x}
                y={y + (inner < y0 ? -23 : 34)}
                textAnchor="middle"
                fontSize={13}
                fill={inks.now}
              >
                {s.name}
              </text>
            )}
          </g>
        );
      })}
      {placing && (
        <path
          d={`M ${(x0 - placing.x * scale - 14).toFixed(1)} ${out(y0 + placing.y * scale).toFixed(1)} h 28 m -14 -14 v 28`}
          stroke={inks.marker}
          strokeWidth={4}
          fill="none"
        />
      )}
    </svg>
  );
}

/** What fits into a circle: LF, or the first letters of a longer name. */
function mark(name: string): string {
  const words = name.split(" ");
  return name.length <= 3
    ? name
    : words.length > 1
      ? words
          .map((w) => w[0])
          .join("")
          .slice(0, 3)
      : name.slice(0, 2);
}
