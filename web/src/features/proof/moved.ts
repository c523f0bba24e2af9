import type { Schemas } from "../../api/client";

export type SideOf = "left" | "right";

const ends: Record<SideOf, [string, string]> = {
  left: ["LF", "LR"],
  right: ["RF", "RR"],
};

/** A lip before, as planned and now, mm; what was not read is null. */
export interface LipMoved {
  station: string;
  before: number | null;
  planned: number | null;
  now: number | null;
  off: number | null;
  near: boolean | null;
}

/** Front and rear lip of one side; null while neither stands in the proof. */
export function sideOf(
  stations: Schemas["StationProof"][],
  side: SideOf,
): [LipMoved, LipMoved] | null {
  const [front, rear] = ends[side].map((name) => {
    const s = stations.find((x) => x.station === name);
    return s
      ? {
          station: name,
          before: s.before.value,
          planned: s.planned.value,
          now: s.now.value,
          off: s.difference.value,
          near: s.near,
        }
      : null;
  });
  return front && rear ? [front, rear] : null;
}

/** Scale of a height: how much room, from which height on, px per mm. */
export interface Scale {
  low: number;
  perMm: number;
}

/** One scale for both sides, so that they can be held against each other. */
export function scaleOf(
  lips: LipMoved[],
  room: number,
  most: number,
): Scale | null {
  const all = lips.flatMap((l) =>
    [l.before, l.planned, l.now].filter((v) => v !== null),
  );
  if (all.length === 0) {
    return null;
  }
  const low = Math.min(...all);
  return {
    low,
    perMm: Math.min(most, room / Math.max(Math.max(...all) - low, 1)),
  };
}
