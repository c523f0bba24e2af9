import { afterEach, describe, expect, it, vi } from "vitest";
import { asked, Unreachable, whenSignedOut } from "./asked";

const answers = (with_: () => Promise<Response>) => {
  vi.stubGlobal("fetch", with_);
};

const answer = (status: number, url: string) => {
  const response = new Response(null, { status });
  Object.defineProperty(response, "url", { value: url });
  return Promise.resolve(response);
};

afterEach(() => {
  vi.unstubAllGlobals();
  whenSignedOut(() => () => undefined);
});

describe("asking the server", () => {
  it("says in words that it cannot be reached", async () => {
    answers(() => Promise.reject(new TypeError("Failed to fetch")));
    await expect(asked("/api/yard")).rejects.toBeInstanceOf(Unreachable);
    await expect(asked("/api/yard")).rejects.toThrow("cannot be reached");
  });

  it("leaves what was broken off on purpose as it is", async () => {
    const off = new DOMException("off", "AbortError");
    answers(() => Promise.reject(off));
    await expect(asked("/api/yard")).rejects.toBe(off);
  });

  it("tells of the session with which a request went out, and not of a wrong password", async () => {
    const told: number[] = [];
    let session = 1;
    whenSignedOut(() => {
      const mine = session;
      return () => {
        told.push(mine);
      };
    });
    answers(() => {
      session = 2;
      return answer(401, "http://here/api/yard");
    });
    expect((await asked("/api/yard")).status).toBe(401);
    expect(told).toEqual([1]);
    answers(() => answer(401, "http://here/api/sign-in"));
    await asked("/api/sign-in");
    answers(() => answer(200, "http://here/api/yard"));
    await asked("/api/yard");
    expect(told).toEqual([1]);
  });
});
