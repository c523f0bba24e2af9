import { expect, it } from "vitest";
import { writable } from "./writable";

it("is written in letters that faces have, and says the same", () => {
  expect(writable("Wren \u004C\u0301")).toBe("Wren \u0139");
  expect(writable("lift of 2⅜ in, gap ⅞")).toBe("lift of 2 3/8 in, gap 7/8");
  // What is in the faces stays as it is.
  expect(writable("½ in, 12² mm, 7⁄16")).toBe("½ in, 12² mm, 7⁄16");
  expect(writable("soft\u00ADhyphen\u200B")).toBe("softhyphen");
  expect(writable("Ягода 李")).toBe("Ягода 李");
});
