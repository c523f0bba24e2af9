import "fake-indexeddb/auto";
import { describe, expect, it } from "vitest";
import type { Schemas } from "./client";
import type { CommandOf, JobCommand, NewCommand } from "./command";
import { Device } from "./device";
import { Outbox, type JobAnswer } from "./outbox";
import { Problem } from "./problem";

const command: NewCommand = {
  kind: "finishFollowUp",
  id: "f",
  note: "aimed",
};
const letter = { job: "j", command, says: "headlights" };

/** A device of its own, as a browser profile has. */
let devices = 0;
const storage = () => new Device(`test ${(++devices).toString()}`);

function gate() {
  let open: () => void = () => undefined;
  const promise = new Promise<void>((resolve) => (open = resolve));
  return {
    promise,
    open: () => {
      open();
    },
  };
}

const sentIn = (init: RequestInit) =>
  JSON.parse(init.body as string) as JobCommand[];

/** The server's answer to commands, each with what became of it. */
function answered(
  commands: JobCommand[],
  refusal: Schemas["Refusal"] | null = null,
): JobAnswer {
  return {
    outcomes: commands.map((c) => ({
      commandId: c.commandId,
      status: refusal ? "refused" : "stored",
      refusal,
      by: null,
      at: null,
    })),
    from: 1,
    version: 2,
    rows: [],
    versions: {},
    sections: {},
  };
}

const reply = (status: number, body: unknown) =>
  Promise.resolve(new Response(JSON.stringify(body), { status }));
const store = (_: string, init: RequestInit) =>
  reply(200, answered(sentIn(init)));
const refuse = (_: string, init: RequestInit) =>
  reply(
    200,
    answered(sentIn(init), {
      kind: "badValue",
      field: "note",
      message: "That is too long.",
      choices: [],
      row: null,
      theirs: null,
    }),
  );
const down = () => Promise.reject(new Error("down"));

/** An outbox of somebody who is signed in. */
function box(...args: ConstructorParameters<typeof Outbox>) {
  const made = new Outbox(...args);
  made.signedIn("brenna");
  return made;
}

const refusedOnce = (of: Outbox) =>
  new Promise<void>((resolve) =>
    of.watch(() => {
      if (of.snapshot().refused.length > 0) resolve();
    }),
  );

const idle = (of: Outbox) =>
  new Promise<void>((resolve) => {
    const look = () => {
      if (of.snapshot().letters.length === 0) resolve();
    };
    of.watch(look);
    look();
  });

describe("the outbox", () => {
  it("settles with the answer and forgets the letter", async () => {
    const kept = storage();
    const outbox = box(kept, store);
    const outcome = await outbox.post(letter);
    expect("stored" in outcome && outcome.stored.version).toBe(2);
    expect(outbox.snapshot().letters).toEqual([]);
    expect((await kept.load()).letters).toEqual([]);
  });

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

  it("lets a kit rest on the plan that it goes into, and no stacks on a kit that they do not know", async () => {
    const drop: NewCommand = { kind: "dropPlan", id: "plan", version: 7 };
    const kit: NewCommand = {
      kind: "placeKit",
      id: "kit",
      planId: "plan",
      version: 7,
      partId: "box",
    };
    const sentAfter = async (early: NewCommand, late: NewCommand) => {
      const versions: unknown[] = [];
      const asked = gate();
      const answer = gate();
      const outbox = box(storage(), async (_, init) => {
        const commands = sentIn(init);
        versions.push(
          ...commands.map((c) => ("version" in c ? c.version : "-")),
        );
        asked.open();
        await answer.promise;
        return reply(200, { ...answered(commands), versions: { plan: 8 } });
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
    expect(await sentAfter(drop, kit)).toEqual([7, 8]);
    expect(await sentAfter(kit, drop)).toEqual([7, 7]);
  });

  it("keeps a letter until the server is back, with the same key, and tells the person to go on", async () => {
    const keys: string[] = [];
    let tries = 0;
    const done = gate();
    const outbox = box(
      storage(),
      (path, init) => {
        keys.push(...sentIn(init).map((c) => c.commandId));
        return ++tries < 3 ? down() : store(path, init);
      },
      () => Promise.resolve(),
    );
    outbox.onAnswer = () => {
      done.open();
    };
    expect(await outbox.post(letter)).toEqual({ waiting: true });
    await done.promise;
    expect(keys).toHaveLength(3);
    expect(new Set(keys).size).toBe(1);
    expect(outbox.snapshot()).toMatchObject({ letters: [], failing: false });
  });

  it("sends in one request, in order, what an earlier visit left behind", async () => {
    const kept = storage();
    const never = box(kept, down, () => new Promise(() => undefined));
    await never.post({ ...letter, says: "first" });
    await never.post({ ...letter, says: "second" });
    const requests: string[][] = [];
    const done = gate();
    const next = box(kept, (path, init) => {
      requests.push(sentIn(init).map((c) => c.commandId));
      return store(path, init);
    });
    next.onAnswer = () => {
      done.open();
    };
    await next.resume();
    await done.promise;
    expect(requests).toEqual([
      never.snapshot().letters.map((l) => l.commandId),
    ]);
  });

  it("tries at once when the network says that it is back", async () => {
    let up = false;
    const done = gate();
    const outbox = box(
      storage(),
      (path, init) => (up ? store(path, init) : down()),
      () => new Promise(() => undefined),
    );
    outbox.onAnswer = () => {
      done.open();
    };
    expect(await outbox.post(letter)).toEqual({ waiting: true });
    up = true;
    outbox.wake();
    await done.promise;
    expect(outbox.snapshot().letters).toEqual([]);
  });

  it.each([503, 429])(
    "keeps what was answered with %i, and sends it again",
    async (status) => {
      const keys: string[] = [];
      const done = gate();
      const outbox = box(
        storage(),
        (path, init) => {
          keys.push(...sentIn(init).map((c) => c.commandId));
          return keys.length === 1
            ? reply(status, { detail: "We do not know." })
            : store(path, init);
        },
        () => Promise.resolve(),
      );
      outbox.onAnswer = () => {
        done.open();
      };
      await outbox.post(letter);
      await done.promise;
      expect(keys[0]).toBe(keys[1]);
    },
  );

  it("hands a refusal to the one who waits for it", async () => {
    const outbox = box(storage(), refuse);
    await expect(outbox.post(letter)).rejects.toBeInstanceOf(Problem);
    expect(outbox.snapshot().refused).toEqual([]);
  });

  it("goes on with the others when one of a list is refused", async () => {
    let tries = 0;
    const done = gate();
    const outbox = box(
      storage(),
      (_, init) => {
        const commands = sentIn(init);
        if (++tries === 1) {
          return down();
        }
        const answer = answered(commands);
        const bad = answered(commands.slice(0, 1), {
          kind: "gate",
          field: "reason",
          message: "Hold point first.",
          choices: [],
          row: null,
          theirs: null,
        });
        return reply(200, {
          ...answer,
          outcomes: [...bad.outcomes, ...answer.outcomes.slice(1)],
        });
      },
      () => done.promise,
    );
    await outbox.post({ ...letter, says: "first" });
    await outbox.post({ ...letter, says: "second" });
    const refused = refusedOnce(outbox);
    done.open();
    await refused;
    expect(outbox.snapshot().letters).toEqual([]);
    expect(outbox.snapshot().refused).toMatchObject([
      { reason: "Hold point first.", letter: { says: "first" } },
    ]);
  });

  it("keeps a refusal that comes after the person walked on, until it is seen", async () => {
    const kept = storage();
    let tries = 0;
    const outbox = box(
      kept,
      (path, init) => (++tries === 1 ? down() : refuse(path, init)),
      () => Promise.resolve(),
    );
    const refused = refusedOnce(outbox);
    expect(await outbox.post(letter)).toEqual({ waiting: true });
    await refused;
    expect(outbox.snapshot().refused[0]?.reason).toBe("That is too long.");
    const left = await kept.load();
    expect(left.letters).toEqual([]);
    const of = left.refused[0]?.letter.command as CommandOf<"finishFollowUp">;
    expect(of.note).toBe("aimed");
  });

  it("keeps who was first with what was refused late, and insists over the version that is there now", async () => {
    const kept = storage();
    const versions: unknown[] = [];
    let tries = 0;
    const outbox = box(
      kept,
      (_, init) => {
        const commands = sentIn(init);
        versions.push(...commands.map((c) => "version" in c && c.version));
        if (++tries === 1) {
          return down();
        }
        if (tries === 4) {
          return reply(200, answered(commands));
        }
        const answer = answered(commands, {
          kind: "conflict",
          field: "version",
          message: "Somebody else changed this meanwhile.",
          choices: [],
          row: "p",
          theirs: { name: "theirs" },
        });
        return reply(200, {
          ...answer,
          outcomes: answer.outcomes.map((o) => ({ ...o, by: "Brenna" })),
        });
      },
      () => Promise.resolve(),
    );
    const late = refusedOnce(outbox);
    await outbox.post({
      job: "j",
      says: "the plan",
      command: {
        kind: "savePlan",
        id: "p",
        version: 3,
        fromStageId: "s",
        name: "mine",
        stacks: [],
      },
    });
    await late;
    for (const version of [5, 6]) {
      const [one] = outbox.snapshot().refused;
      expect(one?.first).toEqual({
        by: "Brenna",
        at: null,
        theirs: { name: "theirs" },
      });
      expect((await kept.load()).refused).toHaveLength(1);
      if (one) {
        await outbox.insist(one, version);
      }
      await idle(outbox);
    }
    expect(versions).toEqual([3, 3, 5, 6]);
    expect(outbox.snapshot().refused).toEqual([]);
    expect((await kept.load()).refused).toEqual([]);
  });

  it("stops when the session has ended, and never sends one person's letters as another", async () => {
    const people: string[] = [];
    let signedIn = false;
    const outbox = box(storage(), (path, init) => {
      if (!signedIn) {
        return reply(401, {});
      }
      people.push(path);
      return store(path, init);
    });
    expect(await outbox.post(letter)).toEqual({ waiting: true });
    expect(outbox.snapshot().signedOut).toBe(true);
    signedIn = true;
    outbox.signedIn("odd");
    expect(outbox.ofOthers()).toBe(1);
    await outbox.post({ ...letter, says: "Odd's own" });
    expect(outbox.snapshot().letters.map((l) => l.says)).toEqual([
      "headlights",
    ]);
    expect(people).toHaveLength(1);
    const done = gate();
    outbox.onAnswer = () => {
      done.open();
    };
    outbox.signedIn("brenna");
    await done.promise;
    expect(outbox.snapshot().letters).toEqual([]);
  });
});
