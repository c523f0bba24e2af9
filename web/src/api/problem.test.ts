import { describe, expect, it } from "vitest";
import { Problem } from "./problem";

describe("what the server refuses", () => {
  it("is told with its field, its sentence and its choices", () => {
    const p = Problem.of(422, {
      field: "typed",
      detail: "Did the slash get lost?",
      choices: [{ key: "slash", text: "7/8 in", mm: 22.2 }],
    });
    expect([p.status, p.field, p.message, p.choices.length]).toEqual([
      422,
      "typed",
      "Did the slash get lost?",
      1,
    ]);
  });

  it("carries what is there now, when somebody else was quicker", () => {
    expect(
      Problem.of(409, { field: "version", theirs: { name: "x" } }).theirs,
    ).toEqual({
      name: "x",
    });
  });

  it("says that the sign-in ended, and that nothing typed is lost", () => {
    expect(Problem.of(401, null).message).toContain("what you typed is kept");
  });

  it("is a sentence even when the answer is none", () => {
    for (const body of [
      null,
      "",
      7,
      [],
      { detail: 4, field: 5, choices: "x" },
    ]) {
      const p = Problem.of(500, body);
      expect(p.message).toMatch(/\.$/);
      expect([p.field, p.choices]).toEqual(["", []]);
    }
  });
});
