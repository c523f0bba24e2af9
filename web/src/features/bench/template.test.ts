import { expect, it } from "vitest";
import type { Schemas } from "../../api/client";
import { printed, templateLink, templateSvg } from "./template";

const template: Schemas["Template"] = {
  title: "Ring <1>",
  width: 180,
  height: 244,
  lines: [
    {
      points: [
        { x: 0, y: 230 },
        { x: 100, y: 230 },
      ],
      pen: "cut",
    },
  ],
  circles: [{ at: { x: 50, y: 60 }, radius: 10, pen: "mark" }],
  texts: [{ at: { x: 0, y: 6 }, says: "Bore & edge <60>", size: 3 }],
  print: { across: 1 / 0.98, down: 1.01, proved: false, u: null, says: "" },
};

it("draws every place larger by what the printer takes away, so that a circle comes out round", () => {
  const p = printed(template);
  const bar = /^M0 (\S+)L(\S+) /.exec(p.lines[0]?.d ?? "");
  expect(Number(bar?.[2]) * 0.98).toBeCloseTo(100, 2);
  expect(Number(bar?.[1])).toBeCloseTo(230 * 1.01, 3);
  const circle = p.circles[0];
  expect((circle?.rx ?? 0) * 0.98).toBeCloseTo(10, 2);
  expect((circle?.ry ?? 0) / 1.01).toBeCloseTo(10, 2);
});

it("is a file of SVG whose unit is the millimetre", () => {
  const svg = templateSvg(template);
  expect(svg).toContain(
    `width="183.673mm" height="246.44mm" viewBox="0 0 183.673 246.44"`,
  );
  expect(svg).toContain("Bore &amp; edge &lt;60>");
});

it("takes a part's own sizes along, each with its unit where it is a length", () => {
  const q = (value: number, unit: Schemas["Quantity"]["unit"]) => ({
    value,
    unit,
    known: "told" as const,
    u: null,
    typed: null,
  });
  const link = templateLink("wedge", {
    thickness: q(2, "in"),
    dimensions: { taper: q(4, "°") },
  });
  const [path, query] = link.split("?");
  expect(path).toBe("/bench/wedge");
  expect(Object.fromEntries(new URLSearchParams(query))).toEqual({
    taper: "4",
    thickness: "2 in",
  });
  expect(templateLink("room", { thickness: null, dimensions: {} })).toBe(
    "/bench/room",
  );
});
