import { describe, expect, it } from "vitest";
import { pointOf, size, viewOf } from "./place";

const step = (places: string[], where = "LF") => ({
  where,
  opens: places,
  joints: [],
  loosens: [],
});

describe("the drawing of a place", () => {
  it("shows one corner of an independent axle by itself and a live axle whole", () => {
    const one = step(["LF strut foot to lower arm"]);
    expect(viewOf(one, () => false)).toBe("corner");
    expect(viewOf(one, () => true)).toBe("axle");
    expect(
      viewOf(
        step(["LF tie-rod end to upright", "RF tie-rod end to upright"]),
        () => false,
      ),
    ).toBe("axle");
  });

  it("shows body mounts from the side, and nothing where two ends are meant", () => {
    expect(
      viewOf(step(["LF cab mount to frame, front one"]), () => false),
    ).toBe("body");
    expect(
      viewOf(
        step(["LF wheel to hub", "LR wheel to hub"], "vehicle"),
        () => false,
      ),
    ).toBeNull();
  });

  it("mirrors the right side", () => {
    const [left, right] = ["LF", "RF"].map((c) =>
      pointOf(`${c} strut foot to lower arm`, "corner"),
    );
    expect((left?.x ?? 0) + (right?.x ?? 0)).toBe(size.width);
    expect(left?.y).toBe(right?.y);
  });

  it("leaves out what it has no place for", () => {
    expect(pointOf("LF something of one's own", "corner")).toBeNull();
  });
});
