import type { Schemas } from "../../api/client";
import { begunPlan, type Doc } from "../../api/document";

export interface Point {
  x: number;
  y: number;
}

/** A picture's size, pixels. */
export interface Size {
  width: number;
  height: number;
}

/** Front hub and rear hub, in pixels of their picture. */
export type Hubs = [Point, Point];

/** Where hubs stand before anybody has marked them. */
export const usual = [0.22, 0.7, 0.78, 0.7];

export const hubsOf = (pins: readonly number[], size: Size): Hubs => {
  const [a = 0, b = 0, c = 0, d = 0] = pins;
  return [
    { x: a * size.width, y: b * size.height },
    { x: c * size.width, y: d * size.height },
  ];
};

/** One turn, one scale and one shift that lay a picture's hubs on another's: x' = ax − by + e, y' = bx + ay + f. */
export interface Laid {
  a: number;
  b: number;
  e: number;
  f: number;
}

/** Lays the hubs of one picture on those of another. As complex numbers: a + bi is the quotient of the two ways from hub to hub. */
export function laid(from: Hubs, to: Hubs): Laid {
  const [dx, dy] = [from[1].x - from[0].x, from[1].y - from[0].y];
  const [ux, uy] = [to[1].x - to[0].x, to[1].y - to[0].y];
  const length2 = dx * dx + dy * dy;
  const a = (ux * dx + uy * dy) / length2;
  const b = (uy * dx - ux * dy) / length2;
  return {
    a,
    b,
    e: to[0].x - (a * from[0].x - b * from[0].y),
    f: to[0].y - (b * from[0].x + a * from[0].y),
  };
}

/** Why two pictures cannot be laid over each other as they are; null where they can. */
export function whyNotLaid({ a, b }: Laid): string | null {
  const scale = Math.hypot(a, b);
  const turn = Math.abs(Math.atan2(b, a)) * (180 / Math.PI);
  return turn > 90
    ? "They show opposite sides: front and rear are on other ends. Take both from the same mark."
    : turn > 8 || scale < 0.4 || scale > 2.5
      ? "They were not taken from the same mark: what is laid over each other here only looks alike at the hubs."
      : null;
}

/** A bar of so many mm in the picture's pixels, in the plane of the wheels. */
export const barOf = (mm: number, hubs: Hubs, wheelbaseMm: number): number =>
  (mm * Math.hypot(hubs[1].x - hubs[0].x, hubs[1].y - hubs[0].y)) / wheelbaseMm;

/** Photographs of the vehicle itself: those before the work that stands now, and those since, each the latest last. */
export function beforeAndAfter(
  d: Doc,
): Record<"before" | "after", Schemas["Attachment"][]> {
  const begun = begunPlan(d)?.begunAt ?? null;
  const its = d.attachments
    .filter((p) => p.of === null)
    .toSorted((p, q) => p.at.localeCompare(q.at));
  return {
    before: its.filter((p) => begun === null || p.at < begun),
    after: begun === null ? [] : its.filter((p) => p.at >= begun),
  };
}
