import { describe, expect, it } from "vitest";
import type { CommandOf } from "./command";
import {
  answered,
  box,
  down,
  gate,
  idle,
  letter,
  refuse,
  refusedOnce,
  reply,
  sentIn,
  storage,
  store,
} from "./outbox.testing";
import { Problem } from "./problem";

describe("the outbox", () => {
  it("settles with the answer and forgets the letter", async () => {
    const kept = storage();
    const outbox = box(kept, store);
    const outcome = await outbox.post(letter);
    expect("stored" in outcome && outcome.stored.version).toBe(2);
    expect(outbox.snapshot().letters).toEqual([]);
    expect((await kept.load()).letters).toEqual([]);
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
          also: [],
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

  it("keeps a refusal that came when who sent it was gone, and no other", async () => {
    const kept = storage();
    const outbox = box(kept, refuse);
    const refused = (heard: boolean, says: string) =>
      expect(outbox.post({ ...letter, says }, () => heard)).rejects.toThrow(
        "That is too long.",
      );
    await refused(true, "seen in its form");
    await refused(false, "gone to the next page");
    expect(
      outbox.snapshot().refused.map((r) => [r.letter.says, r.reason]),
    ).toEqual([["gone to the next page", "That is too long."]]);
    expect((await kept.load()).refused).toHaveLength(1);
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
          also: [],
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
        await outbox.insist(one, { version });
      }
      await idle(outbox);
    }
    expect(versions).toEqual([3, 3, 5, 6]);
    expect(outbox.snapshot().refused).toEqual([]);
    expect((await kept.load()).refused).toEqual([]);
  });

  it("waits where a page noticed first that the session ended, and goes on with who signs in", async () => {
    let asked = 0;
    const outbox = box(storage(), (path, init) => {
      asked++;
      return store(path, init);
    });
    outbox.session()();
    expect(await outbox.post(letter)).toEqual({ waiting: true });
    expect(asked).toBe(0);
    const done = gate();
    outbox.onAnswer = () => {
      done.open();
    };
    outbox.signedIn("brenna");
    await done.promise;
    expect(asked).toBe(1);
    expect(outbox.snapshot().letters).toEqual([]);
  });

  it("heeds no refusal of a session that ended before somebody signed in again", () => {
    const outbox = box(storage(), store);
    const before = outbox.session();
    outbox.session()();
    outbox.signedIn("brenna");
    before();
    expect(outbox.snapshot().signedOut).toBe(false);
    outbox.session()();
    expect(outbox.snapshot().signedOut).toBe(true);
  });

  it("sends again what went out with a session that ended while somebody signed in", async () => {
    const gone = gate();
    const late = gate();
    let asked = 0;
    const outbox = box(storage(), async (path, init) => {
      asked++;
      if (asked === 1) {
        gone.open();
        await late.promise;
        return reply(401, {});
      }
      return store(path, init);
    });
    const stored = outbox.post(letter);
    await gone.promise;
    outbox.signedIn("brenna");
    late.open();
    expect(await stored).not.toEqual({ waiting: true });
    expect(asked).toBe(2);
    expect(outbox.snapshot().signedOut).toBe(false);
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
