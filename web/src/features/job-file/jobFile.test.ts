import { expect, test } from "vitest";
import { whyNoJobFile } from "./jobFile";

test.each([
  ['{"format": 1}', null],
  ["\uFEFF\n  { }", null],
  ["PK\u0003\u0004 photographs", null],
  ["<html>", "no job file"],
  ["", "no job file"],
  ["[1, 2]", "no job file"],
] as const)("%j", async (text, why) => {
  const said = await whyNoJobFile(new Blob([text]));
  if (why === null) {
    expect(said).toBeNull();
  } else {
    expect(said).toContain(why);
  }
});

test("what is too large is told without reading it", async () => {
  const large = new Blob(["{", new Uint8Array(30 * 1024 * 1024)]);
  expect(await whyNoJobFile(large)).toContain("at most 20 MB");
});
