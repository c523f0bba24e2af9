import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { hear, readLine } from "./stream";

describe("a line of an instrument", () => {
  const line =
    "NOKKO1 2026-03-02T08:16:10Z torque-wrench TW-2 torque LF_strut_foot_to_lower_arm 137.2 N·m peak";

  it("is read field by field, with its spaces back", () => {
    expect(readLine(line)).toEqual({
      instrument: "torque-wrench",
      serial: "TW-2",
      quantity: "torque",
      place: "LF strut foot to lower arm",
      value: 137.2,
      unit: "N·m",
      state: "peak",
    });
  });

  it("without a state that is known is no line", () => {
    expect(readLine(line.replace("peak", "asleep"))).toBeNull();
    expect(readLine("")).toBeNull();
    expect(readLine("NOKKO1 half a line")).toBeNull();
  });
});

class Source {
  static open: Source[] = [];
  onmessage: ((m: { data: string }) => void) | null = null;
  constructor(readonly address: string) {
    Source.open.push(this);
  }
  close() {
    Source.open = Source.open.filter((s) => s !== this);
  }
}

describe("a stream of the server", () => {
  let visible = "visible";
  const heard: Record<string, (() => void)[]> = {};
  const target = {
    addEventListener: (kind: string, f: () => void) => {
      (heard[kind] ??= []).push(f);
    },
    removeEventListener: (kind: string, f: () => void) => {
      heard[kind] = (heard[kind] ?? []).filter((x) => x !== f);
    },
  };
  const happens = (kind: string) => {
    for (const f of heard[kind] ?? []) {
      f();
    }
  };

  beforeEach(() => {
    Source.open = [];
    visible = "visible";
    vi.stubGlobal("EventSource", Source);
    vi.stubGlobal("window", target);
    vi.stubGlobal("document", {
      ...target,
      get visibilityState() {
        return visible;
      },
    });
  });
  afterEach(() => {
    vi.unstubAllGlobals();
  });

  it("is heard once while the page is looked at, and given back when it is not", () => {
    const got: string[] = [];
    const stop = hear("/live", (d) => got.push(d));
    Source.open[0]?.onmessage?.({ data: "one" });
    expect(got).toEqual(["one"]);

    visible = "hidden";
    happens("visibilitychange");
    expect(Source.open).toHaveLength(0);

    visible = "visible";
    happens("visibilitychange");
    happens("pageshow");
    expect(Source.open.map((s) => s.address)).toEqual(["/live"]);

    stop();
    expect(Source.open).toHaveLength(0);
    happens("visibilitychange");
    expect(Source.open).toHaveLength(0);
  });

  it("is not opened by a page that nobody looks at", () => {
    visible = "hidden";
    const stop = hear("/live", () => undefined);
    expect(Source.open).toHaveLength(0);
    stop();
  });
});
