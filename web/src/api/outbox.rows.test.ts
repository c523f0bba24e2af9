import { describe, expect, it } from "vitest";
import type { CommandOf, NewCommand } from "./command";
import { answered, box, gate, reply, sentIn, storage } from "./outbox.testing";

/** Versions with which two changes are sent, the second made while the first is on its way. */
const sentAfter = async (early: NewCommand, late: NewCommand) => {
  const versions: unknown[] = [];
  const asked = gate();
  const answer = gate();
  const outbox = box(storage(), async (_, init) => {
    const commands = sentIn(init);
    versions.push(...commands.map((c) => ("version" in c ? c.version : "-")));
    asked.open();
    await answer.promise;
    return reply(200, {
      ...answered(commands),
      rows: [
        { list: "vehicle", id: "v", row: {} },
        { list: "stages", id: "s", row: {} },
      ],
      versions: { plan: 8, j: 8, v: 8, s: 8 },
    });
  });
  const post = (command: NewCommand) =>
    outbox.post({ job: "j", command, says: "a change" });
  const first = post(early);
  await asked.promise;
  const second = post(late);
  answer.open();
  await Promise.all([first, second]);
  return versions;
};

const sizes: NewCommand = {
  kind: "setSizes",
  version: 7,
  sizes: {
    wheelbase: null,
    frontTrack: null,
    rearTrack: null,
    frontSpringBase: null,
    rearSpringBase: null,
    frontAxleMass: null,
    rearAxleMass: null,
    frontUnsprungShare: null,
    rearUnsprungShare: null,
    sillHeight: null,
    midMark: null,
    tyreSize: null,
  },
};
const drop: NewCommand = { kind: "dropPlan", id: "plan", version: 7 };

describe("changes of one row in the outbox", () => {
  it("lets what was done on top of one's own change rest on it, and on nobody else's", async () => {
    const versions: unknown[] = [];
    const asked = gate();
    const answer = gate();
    const kept = storage();
    const outbox = box(kept, async (_, init) => {
      const commands = sentIn(init);
      versions.push(...commands.map((c) => ("version" in c ? c.version : "-")));
      asked.open();
      await answer.promise;
      return reply(200, { ...answered(commands), versions: { plan: 8 } });
    });
    const drop = (id: string) =>
      outbox.post({
        job: "j",
        command: { kind: "dropPlan", id, version: 7 },
        says: "the plan",
      });
    const first = drop("plan");
    await asked.promise;
    const later = [drop("plan"), drop("other")];
    answer.open();
    await Promise.all([first, ...later]);
    expect(versions).toEqual([7, 8, 7]);
    expect((await kept.load()).letters).toEqual([]);
  });

  it("lets what changes the job itself rest on what one changed of it before, without a key in the change", async () => {
    const said: NewCommand = {
      kind: "sayComeback",
      version: 7,
      comeback: null,
    };
    expect(await sentAfter(said, said)).toEqual([7, 8]);
    expect(await sentAfter(said, drop)).toEqual([7, 7]);
  });

  it("lets what changes the vehicle or how it stands rest on what one changed of the same before", async () => {
    const mates: NewCommand = { kind: "setMates", version: 7, mates: [] };
    const points: NewCommand = {
      kind: "setPoints",
      version: 7,
      axle: "front",
      points: [],
    };
    expect(await sentAfter(mates, sizes)).toEqual([7, 8]);
    expect(await sentAfter(sizes, mates)).toEqual([7, 8]);
    expect(await sentAfter(points, points)).toEqual([7, 8]);
    expect(await sentAfter(points, mates)).toEqual([7, 7]);
    expect(await sentAfter(drop, points)).toEqual([7, 7]);
  });

  it("lets what was taken in rest on each row of it that one changed before, and on no other", async () => {
    const seen: Record<string, unknown>[] = [];
    const asked = gate();
    const answer = gate();
    const outbox = box(storage(), async (_, init) => {
      const commands = sentIn(init);
      seen.push(...commands.map((c) => ({ ...c })));
      asked.open();
      await answer.promise;
      return reply(200, {
        ...answered(commands),
        rows: [{ list: "vehicle", id: "v", row: {} }],
        versions: { v: 8 },
      });
    });
    const taken = {
      kind: "correctTakenIn",
      version: 1,
      vehicleVersion: 2,
      ownerVersion: 3,
      stageVersion: 4,
    } as CommandOf<"correctTakenIn">;
    const post = (command: NewCommand) =>
      outbox.post({ job: "j", command, says: "a change" });
    const first = post(taken);
    await asked.promise;
    const second = post(taken);
    answer.open();
    await Promise.all([first, second]);
    expect(seen[1]).toMatchObject({
      version: 1,
      vehicleVersion: 8,
      ownerVersion: 3,
      stageVersion: 4,
    });
  });

  it("lets a kit rest on the plan that it goes into, and no stacks on a kit that they do not know", async () => {
    const kit: NewCommand = {
      kind: "placeKit",
      id: "kit",
      planId: "plan",
      version: 7,
      partId: "box",
    };
    expect(await sentAfter(drop, kit)).toEqual([7, 8]);
    expect(await sentAfter(kit, drop)).toEqual([7, 7]);
  });

  it("lets what follows another suspension rest on it, but no stacks that still have what left with the old one", async () => {
    const convert: NewCommand = {
      kind: "convertAxle",
      planId: "plan",
      version: 7,
      axle: "rear",
      suspension: "coilFourLink",
      sizes: [],
      sheet: "Alder 12",
      setUpAt: null,
      from: "hub",
    };
    const save: NewCommand = {
      kind: "savePlan",
      id: "plan",
      version: 7,
      fromStageId: "stage",
      name: "Plan A",
      stacks: [],
    };
    expect(await sentAfter(save, convert)).toEqual([7, 8]);
    expect(await sentAfter(convert, convert)).toEqual([7, 8]);
    expect(await sentAfter(convert, drop)).toEqual([7, 8]);
    expect(await sentAfter(convert, save)).toEqual([7, 7]);
  });
});
