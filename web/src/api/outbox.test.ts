import "fake-indexeddb/auto";
import { describe, expect, it } from "vitest";
import type { JobView } from "./client";
import { Device } from "./device";
import { Outbox } from "./outbox";
import { Problem } from "./problem";

const letter = {
  job: "j",
  method: "POST" as const,
  path: "/api/jobs/j/readings",
  body: { typed: "35 1/2" },
  says: "left front 35 1/2",
};
const view = { document: { job: { id: "j" } } } as unknown as JobView;

/** A device of its own, as a browser profile has. */
let devices = 0;
const storage = () => new Device(`test ${(++devices).toString()}`);

function gate() {
  let open: () => void = () => undefined;
  const promise = new Promise<void>((resolve) => (open = resolve));
  return { promise, open: () => open() };
}

const answer = (status: number, body: unknown) =>
  Promise.resolve(new Response(JSON.stringify(body), { status }));

describe("the outbox", () => {
  it("settles with the stored job and forgets the letter", async () => {
    const store = storage();
    const box = new Outbox(store, () => answer(200, view));
    expect(await box.post(letter)).toEqual({ stored: view });
    expect(box.snapshot().letters).toEqual([]);
    expect((await store.load()).letters).toEqual([]);
  });

  it("keeps a letter until the server is back, with the same key, and tells the person to go on", async () => {
    const keys: string[] = [];
    let tries = 0;
    const done = gate();
    const box = new Outbox(
      storage(),
      (_, init) => {
        keys.push(
          (JSON.parse(init.body as string) as { commandId: string }).commandId,
        );
        return ++tries < 3
          ? Promise.reject(new Error("down"))
          : answer(200, view);
      },
      () => Promise.resolve(),
    );
    box.onStored = () => done.open();
    expect(await box.post(letter)).toEqual({ waiting: true });
    await done.promise;
    expect(keys).toHaveLength(3);
    expect(new Set(keys).size).toBe(1);
    expect(box.snapshot()).toMatchObject({ letters: [], failing: false });
  });

  it("sends in order what an earlier visit left behind", async () => {
    const store = storage();
    const never = new Outbox(
      store,
      () => Promise.reject(new Error("down")),
      () => new Promise(() => undefined),
    );
    await never.post({ ...letter, says: "first" });
    await never.post({ ...letter, says: "second" });
    const sent: string[] = [];
    const done = gate();
    const next = new Outbox(store, (_, init) => {
      sent.push(
        (JSON.parse(init.body as string) as { commandId: string }).commandId,
      );
      return answer(200, view);
    });
    next.onStored = () => {
      if (sent.length === 2) done.open();
    };
    const kept = never.snapshot().letters.map((l) => l.commandId);
    await next.resume();
    await done.promise;
    expect(sent).toEqual(kept);
  });

  it("tries at once when the network says that it is back", async () => {
    let up = false;
    const done = gate();
    const box = new Outbox(
      storage(),
      () => (up ? answer(200, view) : Promise.reject(new Error("down"))),
      () => new Promise(() => undefined),
    );
    box.onStored = () => done.open();
    expect(await box.post(letter)).toEqual({ waiting: true });
    up = true;
    box.wake();
    await done.promise;
    expect(box.snapshot().letters).toEqual([]);
  });

  it("keeps a refusal on the device until it is seen", async () => {
    const store = storage();
    let tries = 0;
    const box = new Outbox(
      store,
      () =>
        ++tries === 1
          ? Promise.reject(new Error("down"))
          : answer(422, { field: "typed", detail: "No such fraction." }),
      () => Promise.resolve(),
    );
    const refused = new Promise<void>((resolve) =>
      box.watch(() => {
        if (box.snapshot().refused.length > 0) resolve();
      }),
    );
    await box.post(letter);
    await refused;
    const kept = await store.load();
    expect(kept.letters).toEqual([]);
    expect(kept.refused).toHaveLength(1);
  });

  it("hands a refusal to the one who waits for it", async () => {
    const box = new Outbox(storage(), () =>
      answer(422, {
        field: "typed",
        detail: "Did the slash get lost?",
        choices: [],
      }),
    );
    await expect(box.post(letter)).rejects.toBeInstanceOf(Problem);
    expect(box.snapshot().refused).toEqual([]);
  });

  it("keeps a refusal that comes after the person walked on", async () => {
    let tries = 0;
    const box = new Outbox(
      storage(),
      () =>
        ++tries === 1
          ? Promise.reject(new Error("down"))
          : answer(422, { field: "typed", detail: "No such fraction." }),
      () => Promise.resolve(),
    );
    const refused = new Promise<void>((resolve) =>
      box.watch(() => {
        if (box.snapshot().refused.length > 0) resolve();
      }),
    );
    expect(await box.post(letter)).toEqual({ waiting: true });
    await refused;
    expect(box.snapshot().refused[0]).toMatchObject({
      reason: "No such fraction.",
      letter: { body: { typed: "35 1/2" } },
    });
  });
});
