import { describe, expect, it } from "vitest";
import { readLines } from "./lines";
import { after, none } from "./useFinding";

function stream(...chunks: Uint8Array[]): ReadableStream<Uint8Array> {
  return new ReadableStream({
    start(to) {
      chunks.forEach((c) => {
        to.enqueue(c);
      });
      to.close();
    },
  });
}

async function all<T>(of: AsyncGenerator<T>): Promise<T[]> {
  const found: T[] = [];
  for await (const one of of) {
    found.push(one);
  }
  return found;
}

describe("lines of a stream", () => {
  it("are whole however the wire cut them, letters of two bytes too", async () => {
    const bytes = new TextEncoder().encode('{"a":1}\n{"b":"±"}\n\n{"c":3}');
    for (let cut = 1; cut < bytes.length; cut++) {
      const lines = await all(
        readLines(stream(bytes.slice(0, cut), bytes.slice(cut))),
      );
      expect(lines).toEqual([{ a: 1 }, { b: "±" }, { c: 3 }]);
    }
  });
  it("of an empty stream are none", async () => {
    expect(await all(readLines(stream()))).toEqual([]);
  });
});

describe("what a search has found", () => {
  const empty = {
    cannot: null,
    leftOut: null,
    combinations: null,
    best: null,
    found: null,
    rejected: null,
    looked: null,
    done: null,
    stopped: null,
    seconds: null,
  };
  it("grows by what each line says and forgets nothing", () => {
    let so = after(none, {
      ...empty,
      combinations: 204,
      leftOut: [{ part: "box", why: "none on the shelf" }],
    });
    so = after(so, { ...empty, looked: 4 });
    so = after(so, { ...empty, done: true, seconds: 0.2, stopped: false });
    expect(so.combinations).toBe(204);
    expect(so.leftOut).toHaveLength(1);
    expect(so.looked).toBe(4);
    expect(so.seconds).toBe(0.2);
    expect(so.endedEarly).toBe(false);
  });
  it("says why there is nothing to find", () => {
    expect(after(none, { ...empty, cannot: "Say first" }).cannot).toBe(
      "Say first",
    );
  });
});
