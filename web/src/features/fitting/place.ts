import type { Schemas } from "../../api/client";

export interface Point {
  x: number;
  y: number;
}

/** What a drawing of a place shows: an independent corner seen from its end, a whole axle, or a body on its frame from the side. */
export type View = "corner" | "axle" | "body";

export const size = { width: 320, height: 236 };

/** Where a joint sits on the drawing of an independent corner, outboard on the left. */
const corner: Record<string, Point> = {
  "wheel to hub": { x: 46, y: 150 },
  "caliper to upright": { x: 66, y: 118 },
  "brake-hose bracket": { x: 100, y: 128 },
  "sensor-lead clips": { x: 112, y: 108 },
  "brake-hose union": { x: 112, y: 92 },
  "upper ball joint to upright": { x: 78, y: 92 },
  "upper links to upright": { x: 78, y: 92 },
  "upper arm pivots": { x: 196, y: 86 },
  "lower ball joint to upright": { x: 84, y: 192 },
  "lower link to upright": { x: 84, y: 192 },
  "lower ball-joint bracket to arm": { x: 104, y: 196 },
  "lower arm pivots": { x: 214, y: 196 },
  "trailing-arm pivot": { x: 214, y: 196 },
  "strut foot to lower arm": { x: 140, y: 192 },
  "strut foot to trailing arm": { x: 140, y: 192 },
  "strut clamp to upright": { x: 84, y: 128 },
  "strut top plate to body": { x: 158, y: 48 },
  "strut spacer to body": { x: 158, y: 25 },
  "strut centre nut": { x: 158, y: 62 },
  "spring-collar lock ring": { x: 150, y: 122 },
  "lower shock mount": { x: 120, y: 194 },
  "upper shock mount": { x: 126, y: 58 },
  "spring seats": { x: 168, y: 184 },
  "leaf end to arm": { x: 140, y: 176 },
  "sway-bar link to arm": { x: 118, y: 176 },
  "sway-bar link to upright": { x: 96, y: 168 },
  "sway-bar link to trailing arm": { x: 118, y: 176 },
  "sway-bar link to bar": { x: 122, y: 142 },
  "tie-rod end to upright": { x: 72, y: 170 },
  "axle nut": { x: 62, y: 150 },
  "half-shaft to differential": { x: 244, y: 154 },
  "bump stop to its seat": { x: 186, y: 112 },
  "subframe bolts": { x: 236, y: 214 },
  "torsion-bar key": { x: 238, y: 201 },
  "torsion-bar adjuster": { x: 262, y: 206 },
  "air line to spring": { x: 190, y: 82 },
};

/** Where a joint of the left side sits on the drawing of an axle seen from behind; the right one is its mirror. */
const axle: Record<string, Point> = {
  "wheel to hub": { x: 36, y: 176 },
  "caliper to upright": { x: 52, y: 150 },
  "brake-hose bracket": { x: 64, y: 158 },
  "sensor-lead clips": { x: 60, y: 198 },
  "brake-hose union": { x: 70, y: 140 },
  "lower shock mount": { x: 84, y: 184 },
  "upper shock mount": { x: 104, y: 70 },
  "strut foot to axle": { x: 92, y: 172 },
  "strut top plate to body": { x: 110, y: 60 },
  "strut spacer to body": { x: 110, y: 37 },
  "strut centre nut": { x: 109, y: 76 },
  "spring-collar lock ring": { x: 100, y: 120 },
  "spring seats": { x: 118, y: 166 },
  "sway-bar link to axle": { x: 72, y: 172 },
  "sway-bar link to bar": { x: 72, y: 128 },
  "bump stop to its seat": { x: 132, y: 106 },
  "spring to axle": { x: 118, y: 170 },
  "spring eye to frame": { x: 104, y: 118 },
  "shackle to frame": { x: 130, y: 96 },
  "shackle to spring": { x: 130, y: 122 },
  "leaf centre bolt and clips": { x: 118, y: 148 },
  "lower link to axle": { x: 132, y: 192 },
  "lower link to frame": { x: 142, y: 206 },
  "upper link to axle": { x: 142, y: 166 },
  "upper link to frame": { x: 150, y: 146 },
  "radius arm to axle": { x: 132, y: 192 },
  "radius arm to frame": { x: 142, y: 206 },
  "torsion-bar key": { x: 132, y: 200 },
  "torsion-bar adjuster": { x: 142, y: 216 },
  "air line to spring": { x: 136, y: 82 },
};

/** Joints in the middle of an axle. */
const middle: Record<string, Point> = {
  "track bar to axle": { x: 92, y: 164 },
  "track bar to frame": { x: 214, y: 92 },
  "track-bar bracket": { x: 214, y: 76 },
  "drag link to knuckle": { x: 262, y: 196 },
  "drag link to pitman arm": { x: 214, y: 128 },
  "pitman arm to steering box": { x: 226, y: 106 },
  "propshaft to axle": { x: 160, y: 186 },
  "propshaft carrier bearing": { x: 160, y: 112 },
  "level-sensor link": { x: 104, y: 140 },
  "steering damper ends": { x: 196, y: 206 },
  "axle breather and cables": { x: 160, y: 150 },
  "differential mounts": { x: 160, y: 134 },
  "differential breather and plug": { x: 178, y: 146 },
  "propshaft to differential": { x: 160, y: 172 },
  "cross member to frame": { x: 132, y: 206 },
  "steering shaft to steering box": { x: 218, y: 66 },
};

const sides = ["LF", "RF", "LR", "RR"];

/** LF, RF, LR, RR, front, rear or vehicle, and the joint's name. */
export function split(place: string): [string, string] {
  const at = place.indexOf(" ");
  return [place.slice(0, at), place.slice(at + 1)];
}

const mirror = (p: Point): Point => ({ x: size.width - p.x, y: p.y });

/** Which drawing shows a step: body mounts from the side, a live axle whole, an independent corner by itself. */
export function viewOf(
  step: Pick<Schemas["CardStep"], "where" | "opens" | "joints" | "loosens">,
  live: (end: "front" | "rear") => boolean,
): View | null {
  const places = [...step.opens, ...step.loosens, ...step.joints];
  if (places.some((p) => / mount to frame/.test(p))) {
    return "body";
  }
  const where = new Set(places.map((p) => split(p)[0]));
  if (places.length === 0) {
    where.add(step.where);
  }
  if (where.size === 0 || where.has("vehicle")) {
    return null;
  }
  const ends = new Set(
    [...where].map((w) =>
      w === "front" || w.endsWith("F") ? "front" : "rear",
    ),
  );
  if (ends.size > 1) {
    return null;
  }
  const end = ends.has("front") ? "front" : "rear";
  const corners = [...where].filter((w) => sides.includes(w));
  return live(end) || corners.length !== 1 || where.size > 1
    ? "axle"
    : "corner";
}

/** Where a joint is drawn, or null: this drawing does not show it. */
export function pointOf(place: string, view: View): Point | null {
  const [where, name] = split(place);
  const right = where.startsWith("R") && sides.includes(where);
  if (view === "body") {
    const at = /front one/.test(name) ? 0 : 1;
    return / mount to frame/.test(name)
      ? { x: (where.endsWith("F") ? 60 : 190) + at * 60, y: right ? 96 : 150 }
      : null;
  }
  if (view === "corner") {
    const p = corner[name];
    return p ? (right ? mirror(p) : p) : null;
  }
  const p = sides.includes(where) ? (axle[name] ?? corner[name]) : middle[name];
  return p ? (right ? mirror(p) : p) : null;
}
