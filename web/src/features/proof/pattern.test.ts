import { expect, test } from "vitest";
import type { Schemas } from "../../api/client";
import { heardOf, patternBars } from "./pattern";

test("bars stand on one scale, up for what is high, the greatest filling its room", () => {
  const bars = patternBars(
    [
      { station: "LF", mm: 12 },
      { station: "RR", mm: -6 },
    ],
    [{ station: "LF", mm: 6 }],
  );
  expect(bars.map((b) => b.station)).toEqual(["LF", "RR"]);
  expect(bars[0]).toMatchObject({ off: "M40 62v-17.0", would: "M48 62v-8.5" });
  expect(bars[1]).toMatchObject({ off: "M84 26v8.5", would: "M92 26v0.0" });
});

test("a small miss does not fill its room", () => {
  expect(patternBars([{ station: "LF", mm: 3 }], [])[0]?.off).toBe(
    "M40 62v-8.5",
  );
});

test("what was found on earlier readings was put right since", () => {
  const check = { kind: "notSeated", where: "LF" } as const;
  const row = (wasIt: boolean, where = "LF") =>
    ({ kind: "notSeated", where, wasIt }) as Schemas["CheckedCause"];
  expect(heardOf([row(true)], check, true, true)).toBe("● It was that");
  expect(heardOf([row(false)], check, false, true)).toBe(
    "○ Checked: it was not that",
  );
  expect(
    heardOf([row(false), row(true), row(false, "RF")], check, false, false),
  ).toBe("○ Found on earlier readings, put right since");
  expect(heardOf([row(false)], check, false, false)).toBe(
    "○ Checked on earlier readings: it was not that",
  );
});
