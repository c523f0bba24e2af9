import { expect, test } from "vitest";
import type { JobView } from "../../api/client";
import type { NewCommand } from "../../api/command";
import type { Letter } from "../../api/letters";
import { bothSay, saidBy, versionsNow } from "./refused";

const letter = (command: NewCommand) =>
  ({ job: "j", commandId: "c", says: "it", command }) as unknown as Letter;

const view = {
  versions: { j: 7, v: 8, o: 9, s0: 10, p: 11 },
  document: {
    job: { id: "j", stageId: "s0" },
    vehicle: { id: "v" },
    owner: { id: "o" },
    stages: [{ id: "s0", jobId: "j", ordinal: 0 }],
  },
} as unknown as JobView;

test("both sides of a comeback are told in words", () => {
  const said = bothSay(
    letter({
      kind: "sayComeback",
      version: 1,
      comeback: {
        for: "lean",
        words: null,
        cause: "part",
        found: "bolt sheared",
      },
    }),
    { id: "j", equipment: "twoPostLift", comeback: null },
  );
  expect(said.mine).toMatchObject({
    "Comes back for": "leans",
    "What was found": "bolt sheared",
  });
  expect(said.theirs).toMatchObject({ "Comes back for": "nothing" });
});

test("what was typed in a change that is not stored stands there whole", () => {
  expect(
    saidBy({
      kind: "finishFollowUp",
      id: "f",
      note: "left lamp had come loose, screwed tight",
    }),
  ).toBe("left lamp had come loose, screwed tight");
  expect(
    saidBy({
      kind: "setLimit",
      version: 3,
      limit: "toe",
      value: { typed: "0.15", unit: "°", known: "document" },
    } as unknown as NewCommand),
  ).toBe("toe, 0.15 °");
  expect(
    saidBy({
      kind: "storeMeasure",
      value: { typed: "40 mm", unit: "in", known: "measured" },
    } as unknown as NewCommand),
  ).toBe("40 mm");
  // Keys and what stands in its name already are left out.
  expect(
    saidBy({
      kind: "bookWork",
      id: "b",
      bay: "lift 2",
      day: "2026-12-07",
      from: 480,
      people: ["019a2310-b788-77d3-a334-2741fc53636c"],
    }),
  ).toBe("lift 2, 2026-12-07, 480");
  expect(
    saidBy({
      kind: "doStep",
      id: "s",
      step: "vehicle/weight-back",
      minutes: 12,
      reason: "owner waits",
      reached: null,
    }),
  ).toBe("12, owner waits");
});

test("of their row only what the change touched is told", () => {
  const target = (typed: string) => ({
    rake: { value: 0.5, unit: "in", typed },
  });
  const said = bothSay(
    letter({
      kind: "setTarget",
      version: 1,
      target: target("1/2"),
      wish: "level",
      promisedOn: null,
    } as unknown as NewCommand),
    { id: "j", equipment: "pit", wish: "as it is", target: target("5/8") },
  );
  expect(said).toEqual({
    mine: { "It says": "1/2 in, level" },
    theirs: { "It says": "as it is, 5/8 in" },
  });
});

test("who insists does so over the row that is there now, whichever row that is", () => {
  const versions = (command: object, theirs: unknown) =>
    versionsNow(letter(command as NewCommand), theirs, view);
  expect(versions({ kind: "sayComeback" }, { id: "j" })).toEqual({
    version: 7,
  });
  expect(versions({ kind: "setSizes" }, { id: "v" })).toEqual({ version: 8 });
  expect(versions({ kind: "savePlan", id: "p", version: 1 }, {})).toEqual({
    version: 11,
  });
  expect(versions({ kind: "correctTakenIn" }, { id: "o" })).toEqual({
    version: 7,
    vehicleVersion: 8,
    ownerVersion: 9,
    stageVersion: 10,
  });
});
