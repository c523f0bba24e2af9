import { heightAt } from "../../api/document";
import type { Schemas } from "../../api/client";
import { inMm } from "../../shared/length";

type Vehicle = Schemas["Vehicle"];
type Stance = Schemas["WalkRoundStance"];

/** The numbers that a drawing to scale needs, in mm. */
export interface Shape {
  kind: Vehicle["kind"];
  wheelbase: number;
  frontTrack: number;
  rearTrack: number;
  springBase: number;
  radius: number;
  loaded: number;
  rim: number;
  sill: number;
  mid: number;
}

const mm = (q: Schemas["Quantity"] | null, otherwise: number) =>
  q === null ? otherwise : inMm(q);

export function shapeOf(
  v: Pick<Vehicle, "kind" | "dimensions" | "tyreSize">,
): Shape {
  const tyre = tyreOf(v.tyreSize);
  const d = v.dimensions;
  return {
    kind: v.kind,
    wheelbase: mm(d.wheelbase, 3300),
    frontTrack: mm(d.frontTrack, 1600),
    rearTrack: mm(d.rearTrack, 1600),
    springBase: mm(d.rearSpringBase, 1050),
    radius: tyre.diameter / 2,
    loaded: (0.945 * tyre.diameter) / 2,
    rim: (tyre.rim * 25.4 + 35) / 2,
    sill: mm(d.sillHeight, 480),
    mid: mm(d.midMark, 1400),
  };
}

/** Diameter in mm and rim in inches, for drawing only. */
function tyreOf(size: string | null): { diameter: number; rim: number } {
  const metric = /(\d{3})\/(\d{2})\s*Z?R(\d{2})/i.exec(size ?? "");
  if (metric) {
    const [width, aspect, rim] = metric.slice(1).map(Number);
    if (width && aspect && rim) {
      return { diameter: rim * 25.4 + (2 * width * aspect) / 100, rim };
    }
  }
  const inches = /(\d{2}(?:\.\d+)?)\s*[x×]\s*[\d.]+\s*[-R]\s*(\d{1,2})/i.exec(
    size ?? "",
  );
  return inches
    ? { diameter: Number(inches[1]) * 25.4, rim: Number(inches[2]) }
    : { diameter: 803, rim: 17 };
}

/** A line through both ends of a body: heights of the mean lips above the floor, mm. */
export interface BodyLine {
  front: number;
  rear: number;
}

/** A planned line with the standard uncertainty of each end's rise, mm. */
export interface PlannedLine extends BodyLine {
  frontU: number;
  rearU: number;
}

/** Height of a lip above the floor, for drawing: the loaded radius carries hub and rim readings down. */
export function aboveFloor(
  height: number,
  datum: string | null,
  shape: Shape,
): number {
  switch (datum) {
    case "hub":
      return height + shape.loaded;
    case "rim":
      return height + shape.loaded - shape.rim;
    default:
      return height;
  }
}

/** A line that is kept in its datum, above the floor. */
export function lineAbove(
  line: Schemas["YardLine"] | null,
  shape: Shape,
): BodyLine | null {
  return (
    line && {
      front: aboveFloor(line.frontMm, line.datum, shape),
      rear: aboveFloor(line.rearMm, line.datum, shape),
    }
  );
}

export function lineOf(
  stance: Stance | null | undefined,
  shape: Shape,
): BodyLine | null {
  const mean = (a: string, b: string) => {
    const found = [heightAt(stance, a), heightAt(stance, b)].filter(
      (s) => s !== undefined,
    );
    const sum = found.reduce(
      (t, s) => t + aboveFloor(s.height.value ?? 0, s.datum, shape),
      0,
    );
    return found.length > 0 ? sum / found.length : null;
  };
  const front = mean("LF", "RF");
  const rear = mean("LR", "RR");
  return front === null || rear === null ? null : { front, rear };
}

export function plannedLine(
  p: Schemas["Prediction"] | null | undefined,
  shape: Shape,
): PlannedLine | null {
  const at = (name: string) => p?.stations.find((s) => s.station === name);
  const [lf, rf, lr, rr] = ["LF", "RF", "LR", "RR"].map(at);
  if (!p || !lf || !rf || !lr || !rr) {
    return null;
  }
  const mean = (a: typeof lf, b: typeof lf) =>
    aboveFloor(
      ((a.height.value ?? 0) + (b.height.value ?? 0)) / 2,
      p.datum,
      shape,
    );
  return {
    front: mean(lf, rf),
    rear: mean(lr, rr),
    frontU: Math.max(lf.rise.u ?? 0, rf.rise.u ?? 0),
    rearU: Math.max(lr.rise.u ?? 0, rr.rise.u ?? 0),
  };
}
