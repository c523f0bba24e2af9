import { expect, test } from "vitest";
import type { JobView } from "../../api/client";
import {
  asksWhose,
  correctionLines,
  correctionOf,
  wasBegun,
} from "./correction";

const view = (ordinals: number[]) =>
  ({
    document: {
      owner: { name: "Ada Marl", contact: null },
      vehicle: {
        plate: "AM 1",
        vin: null,
        make: "Tarn",
        name: "Fell",
        kind: "openTop",
        bodyKind: "bodyOnFrame",
      },
      platform: { id: "p", name: "Fell, short" },
      job: { stageId: "s0", equipment: "pit", odometerIn: null },
      stages: ordinals.map((ordinal) => ({
        id: `s${ordinal.toString()}`,
        ordinal,
        stacks: [
          {
            corner: "LF",
            parts: [
              {
                id: "x",
                name: "ring",
                kind: "coilSpacer",
                thickness: {
                  value: 20,
                  unit: "mm",
                  known: "measured",
                  typed: "20",
                },
                claim: null,
              },
            ],
          },
        ],
      })),
    },
  }) as unknown as JobView;

test("what was fitted comes back as it was typed, with its unit", () => {
  expect(correctionOf(view([0])).fitted).toEqual([
    {
      id: "x",
      corner: "LF",
      name: "ring",
      kind: "coilSpacer",
      thickness: "20 mm",
      claim: "",
    },
  ]);
});

test("both ways are told line by line, the new platform by its name", () => {
  const lines = correctionLines({
    ...correctionOf(view([0])),
    newPlatform: "Fell, wide",
  });
  expect(lines.Platform).toBe("Fell, wide");
  expect(lines["What it is"]).toBe("open-top 4x4, body on frame");
  expect(lines["Fitted when it came"]).toContain("LF: ring");
});

test("another name asks whose it is, the same one and none do not", () => {
  const was = correctionOf(view([0]));
  expect(asksWhose(was, "Ada Marl")).toBe(false);
  expect(asksWhose({ ...was, ownerName: " Ada Marl " }, "Ada Marl")).toBe(
    false,
  );
  expect(asksWhose({ ...was, ownerName: "" }, "Ada Marl")).toBe(false);
  expect(asksWhose({ ...was, ownerName: "Ida Marl" }, "Ada Marl")).toBe(true);
});

test("work was begun where a later stage stands", () => {
  expect(wasBegun(view([0]))).toBe(false);
  expect(wasBegun(view([-1, 0]))).toBe(false);
  expect(wasBegun(view([0, 1]))).toBe(true);
});
