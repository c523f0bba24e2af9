import { describe, expect, it } from "vitest";
import { oddsSays } from "./chance";

describe("a chance", () => {
  it("is said in hundredths, and never as more than it is", () => {
    expect(oddsSays(0.57)).toBe("57 in 100");
    expect(oddsSays(0.994)).toBe("99 in 100");
    expect(oddsSays(0.9999)).toBe("as good as sure");
    expect(oddsSays(0.001)).toBe("next to none");
  });
});
