import { describe, expect, it } from "vitest";
import type { Doc } from "../../api/document";
import {
  barOf,
  beforeAndAfter,
  hubsOf,
  laid,
  whyNotLaid,
  type Hubs,
  type Laid,
  type Point,
} from "./overlay";

const put = (m: Laid, p: Point): Point => ({
  x: m.a * p.x - m.b * p.y + m.e,
  y: m.b * p.x + m.a * p.y + m.f,
});

describe("a picture laid over another", () => {
  it("has its hubs on the other's, and keeps every angle and proportion", () => {
    const from: Hubs = [
      { x: 130, y: 410 },
      { x: 860, y: 432 },
    ];
    const to: Hubs = [
      { x: 95, y: 388 },
      { x: 702, y: 371 },
    ];
    const m = laid(from, to);
    for (const i of [0, 1] as const) {
      expect(put(m, from[i]).x).toBeCloseTo(to[i].x, 9);
      expect(put(m, from[i]).y).toBeCloseTo(to[i].y, 9);
    }
    // Any length grows by the same, as the one from hub to hub does.
    const scale =
      Math.hypot(to[1].x - to[0].x, to[1].y - to[0].y) /
      Math.hypot(from[1].x - from[0].x, from[1].y - from[0].y);
    const [p, q] = [
      { x: 12, y: 700 },
      { x: 400, y: 31 },
    ];
    expect(
      Math.hypot(put(m, p).x - put(m, q).x, put(m, p).y - put(m, q).y),
    ).toBeCloseTo(scale * Math.hypot(p.x - q.x, p.y - q.y), 9);
  });

  it("is itself where both are the same", () => {
    const hubs = hubsOf([0.2, 0.7, 0.8, 0.7], { width: 1000, height: 500 });
    expect(hubs[1]).toEqual({ x: 800, y: 350 });
    const m = laid(hubs, hubs);
    expect([m.a, m.b, m.e, m.f].map((v) => Math.round(v * 1e9) / 1e9)).toEqual([
      1, 0, 0, 0,
    ]);
    expect(whyNotLaid(m)).toBeNull();
  });

  it("says so where the sides or the marks are not the same", () => {
    const hubs = hubsOf([0.2, 0.7, 0.8, 0.7], { width: 1000, height: 500 });
    const mirrored: Hubs = [hubs[1], hubs[0]];
    expect(whyNotLaid(laid(mirrored, hubs))).toContain("opposite sides");
    const far = hubsOf([0.45, 0.7, 0.55, 0.7], { width: 1000, height: 500 });
    expect(whyNotLaid(laid(far, hubs))).toContain("not taken from the same");
  });

  it("shows a length as long as the wheelbase says", () => {
    const hubs = hubsOf([0.2, 0.5, 0.8, 0.5], { width: 1000, height: 500 });
    expect(barOf(100, hubs, 3000)).toBeCloseTo(20, 9);
  });
});

it("parts photographs of the vehicle by when the work began", () => {
  const picture = (id: string, at: string, of: string | null = null) => ({
    id,
    at,
    of,
  });
  const d = {
    stages: [{ id: "s", ordinal: 1 }],
    plans: [{ toStageId: "s", begunAt: "2026-03-02T10:00:00Z" }],
    attachments: [
      picture("late", "2026-03-02T12:00:00Z"),
      picture("joint", "2026-03-02T11:00:00Z", "joint:1"),
      picture("early", "2026-03-02T09:00:00Z"),
    ],
  } as unknown as Doc;
  const { before, after } = beforeAndAfter(d);
  expect(before.map((p) => p.id)).toEqual(["early"]);
  expect(after.map((p) => p.id)).toEqual(["late"]);
});
