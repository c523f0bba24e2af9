import type { Schemas } from "../../api/client";
import { useInks } from "../../shared/theme";
import { useWidth } from "../stance/useWidth";
import {
  boundsOf,
  endsAt,
  placeAt,
  upSays,
  type Mechanism,
  type Travel,
  type Way,
} from "./geometry";
import { useUnit } from "../../shared/Length";
import { showText } from "../../shared/length";

const height = 222;

/** How a way is drawn: each has its own line beside its ink. */
export function useWayLine() {
  const inks = useInks();
  return (way: Way["kind"], chosen: boolean) =>
    chosen
      ? { stroke: inks.now, strokeWidth: 5 }
      : way === "before"
        ? { stroke: inks.before, strokeWidth: 2.5, strokeDasharray: "2 5" }
        : { stroke: inks.planned, strokeWidth: 3, strokeDasharray: "9 6" };
}

/** The axle to scale, moved by the slider: as it was dotted, lifted dashed, the chosen way solid. */
export function MechanismDrawing({
  mechanism,
  chosen,
  up,
  radius,
  mirrored,
}: {
  mechanism: Mechanism;
  chosen: Way;
  up: number;
  /** Loaded radius of the tyre, mm. */
  radius: number;
  mirrored: boolean;
}) {
  const inks = useInks();
  const unit = useUnit();
  const line = useWayLine();
  const [ref, width] = useWidth();
  const shown = mechanism.ways.filter(
    (w): w is Way & { travel: Travel } =>
      w.travel !== null &&
      (w === chosen || w.kind === "before" || w.kind === "lifted"),
  );
  if (shown.length === 0) {
    return null;
  }
  const tyre = tyreOf(mechanism.kind, radius);
  const bounds = boundsOf(shown.map((w) => w.travel));
  const left = bounds.left - tyre.beside;
  const right = bounds.right + tyre.beside;
  const ground = tyre.ground;
  const low = Math.min(bounds.low, ground ?? bounds.low);
  const high =
    ground === null ? bounds.high : Math.max(bounds.high, ground + 2 * radius);
  const scale = Math.min(
    (width - 20) / (right - left),
    (height - 44) / (high - low),
  );
  const middle = (left + right) / 2;
  const x = (mm: number) =>
    width / 2 + (mirrored ? -1 : 1) * (mm - middle) * scale;
  const z = (mm: number) => height - 26 - (mm - low) * scale;
  const n = (v: number) => v.toFixed(1);
  const bar = (e: ReturnType<typeof endsAt>) =>
    e ? `M${n(x(e.x1))} ${n(z(e.z1))}L${n(x(e.x2))} ${n(z(e.z2))}` : "";
  const views = viewSays[mechanism.kind];
  return (
    <div ref={ref} style={{ width: "100%" }}>
      {width > 0 && (
        <svg
          width={width}
          height={height}
          role="img"
          aria-label={`${views}, ${upSays(up, unit)}: as it was dotted, lifted dashed, ${chosen.said} solid`}
        >
          {ground !== null && (
            <path
              d={`M6 ${n(z(ground))}H${n(width - 6)}`}
              stroke={inks.ink}
              strokeWidth={1.5}
            />
          )}
          {shown
            .toSorted((a, b) => Number(a === chosen) - Number(b === chosen))
            .map((w) => {
              const at = placeAt(w.travel, up);
              const style = line(w.kind, w === chosen);
              return (
                <g key={w.said} fill="none" {...style}>
                  <Tyres
                    kind={mechanism.kind}
                    travel={w.travel}
                    at={at}
                    radius={radius}
                    x={x}
                    z={z}
                    scale={scale}
                  />
                  {w.travel.rods
                    .filter((r) => r.name !== "wheel" && r.name !== "frame")
                    .map((r) => (
                      <path
                        key={r.name}
                        d={bar(endsAt(w.travel, r.name, at))}
                        strokeLinecap="round"
                      />
                    ))}
                  {w === chosen && (
                    <Frame travel={w.travel} at={at} x={x} z={z} />
                  )}
                  {w === chosen &&
                    w.travel.rods
                      .filter((r) => r.name !== "wheel" && r.name !== "frame")
                      .map((r) => {
                        const e = endsAt(w.travel, r.name, at);
                        return (
                          e && (
                            <g
                              key={r.name}
                              fill={inks.paper}
                              stroke={inks.now}
                              strokeWidth={2.5}
                            >
                              {r.name !== "axle" && (
                                <>
                                  <circle cx={x(e.x1)} cy={z(e.z1)} r={5} />
                                  <circle cx={x(e.x2)} cy={z(e.z2)} r={5} />
                                </>
                              )}
                              {!["axle", "upright"].includes(r.name) && (
                                <text
                                  {...(Math.abs(e.z2 - e.z1) >
                                  2 * Math.abs(e.x2 - e.x1)
                                    ? {
                                        x: Math.max(x(e.x1), x(e.x2)) + 9,
                                        y: (z(e.z1) + z(e.z2)) / 2 + 5,
                                        textAnchor: "start",
                                      }
                                    : {
                                        x: (x(e.x1) + x(e.x2)) / 2,
                                        y:
                                          (z(e.z1) + z(e.z2)) / 2 +
                                          (r.name.startsWith("lower")
                                            ? 18
                                            : -9),
                                        textAnchor: "middle",
                                      })}
                                  fontSize={13}
                                  fill={inks.ink}
                                  stroke={inks.paper}
                                  strokeWidth={4}
                                  paintOrder="stroke"
                                >
                                  {r.name === "bar" ? "track bar" : r.name}
                                </text>
                              )}
                            </g>
                          )
                        );
                      })}
                </g>
              );
            })}
          {ground !== null && (
            <Gaps chosen={chosen} up={up} x={x} y={z(ground) - 8} />
          )}
          <text x={8} y={height - 6} fontSize={13} fill={inks.soft}>
            {views}, to scale
          </text>
        </svg>
      )}
    </div>
  );
}

const viewSays: Record<Schemas["MechanismKind"], string> = {
  trackBar: "From behind",
  steering: "From behind, both body ends put together",
  caster: "From the side, the front on the left",
  pinion: "From the side, the rear on the left",
  propshaft: "From the side, the axle on the left",
  cvShaft: "From behind, one side",
  swayBar: "From the side, the bar’s pivots on the left",
  hoses: "",
  contacts: "",
  arms: "From behind, one side",
  alignment: "From behind, one side",
  headlights: "From the side",
  axleLoads: "",
  cornerScales: "",
  sideSlope: "",
};

/** Where the ground and the tyres are in a mechanism's own heights; a shaft is drawn without. */
function tyreOf(
  kind: Schemas["MechanismKind"],
  radius: number,
): { ground: number | null; beside: number } {
  switch (kind) {
    case "trackBar":
      return { ground: -radius, beside: 150 };
    case "steering":
      return { ground: -radius / 3, beside: 60 };
    case "cvShaft":
      return { ground: -radius, beside: 160 };
    case "propshaft":
    case "swayBar":
      return { ground: null, beside: 60 };
    case "arms":
    case "alignment":
      return { ground: 0, beside: 60 };
    default:
      return { ground: 0, beside: radius };
  }
}

/** How the gaps beside the tyres of a live axle change: twice the shift lies between them. */
function Gaps({
  chosen,
  up,
  x,
  y,
}: {
  chosen: Way;
  up: number;
  x: (mm: number) => number;
  y: number;
}) {
  const inks = useInks();
  const unit = useUnit();
  const at = chosen.travel ? placeAt(chosen.travel, up) : 0;
  const axle = chosen.travel && endsAt(chosen.travel, "axle", at);
  const frame = chosen.travel && endsAt(chosen.travel, "frame", at);
  if (!axle || !frame) {
    return null;
  }
  const aside = (axle.x1 + axle.x2) / 2;
  return [axle.x1, axle.x2].map((mm, i) => {
    const inner = mm + (i === 0 ? 150 : -150);
    const more = (i === 0 ? -1 : 1) * aside;
    const shown = showText(Math.abs(aside), unit);
    const toRight = x(inner) > x(mm);
    return (
      <text
        key={mm}
        x={x(inner)}
        y={y}
        fontSize={13}
        textAnchor={toRight ? "start" : "end"}
        fill={inks.ink}
      >
        {shown.startsWith("0")
          ? "gap as it was"
          : `gap ${shown} ${more > 0 ? "more" : "less"}`}
      </text>
    );
  });
}

interface Places {
  travel: Travel;
  at: number;
  x: (mm: number) => number;
  z: (mm: number) => number;
}

function Tyres({
  kind,
  travel,
  at,
  radius,
  x,
  z,
  scale,
}: Places & {
  kind: Schemas["MechanismKind"];
  radius: number;
  scale: number;
}) {
  const wide = 240;
  const upright = (mm: number, middle: number, key: string) => (
    <rect
      key={key}
      x={x(mm) - (wide / 2) * scale}
      y={z(middle + radius)}
      width={wide * scale}
      height={2 * radius * scale}
      rx={10 * scale * 4}
      strokeWidth={2.5}
    />
  );
  if (kind === "trackBar") {
    const axle = endsAt(travel, "axle", at);
    return axle && <>{[axle.x1, axle.x2].map((mm) => upright(mm, 0, n(mm)))}</>;
  }
  if (kind === "cvShaft") {
    const shaft = endsAt(travel, "shaft", at);
    return shaft && upright(shaft.x2 - wide / 2 - 20, 0, "tyre");
  }
  const wheel = endsAt(travel, "wheel", at);
  if (!wheel) {
    return null;
  }
  return kind === "arms" || kind === "alignment" ? (
    upright(wheel.x1, wheel.z1, "tyre")
  ) : (
    <circle
      cx={x(wheel.x1)}
      cy={z(wheel.z1)}
      r={radius * scale}
      strokeWidth={2.5}
    />
  );
}

const n = (v: number) => v.toFixed(1);

/** The frame over a track bar, with what carries the bar's ends. */
function Frame({ travel, at, x, z }: Places) {
  const inks = useInks();
  const frame = endsAt(travel, "frame", at);
  const bar = endsAt(travel, "bar", at);
  if (!frame || !bar) {
    return null;
  }
  const over = 70;
  return (
    <path
      d={`M${n(x(frame.x1 - 40))} ${n(z(frame.z1 + over))}H${n(x(frame.x2 + 40))}M${n(x(bar.x2))} ${n(z(frame.z2 + over))}V${n(z(bar.z2))}M${n(x(bar.x1))} ${n(z(bar.z1))}V${n(z(0))}`}
      stroke={inks.ink}
      strokeWidth={4}
    />
  );
}
