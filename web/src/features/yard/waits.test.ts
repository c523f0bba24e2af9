import { expect, test } from "vitest";
import { waitsSay } from "./waits";

const job = "j";

test("what is ordered is waited for with its day, what is not has to be ordered", () => {
  expect(
    waitsSay(
      { jobId: job, parts: 2, toOrder: 0, until: "2026-12-03" },
      "2026-12-03",
      "2026-12-01",
    ),
  ).toBe("Waits for 2 parts until 3 Dec 2026");
  expect(
    waitsSay(
      { jobId: job, parts: 1, toOrder: 1, until: null },
      null,
      "2026-12-01",
    ),
  ).toBe("1 part to order");
  expect(
    waitsSay(
      { jobId: job, parts: 3, toOrder: 2, until: "2026-12-03" },
      "2026-12-02",
      "2026-12-03",
    ),
  ).toBe(
    "Waits for 1 part until 3 Dec 2026, later than it was promised · 2 parts to order",
  );
});

test("a day that has gone by is said as one", () => {
  expect(
    waitsSay(
      { jobId: job, parts: 1, toOrder: 0, until: "2026-11-30" },
      null,
      "2026-12-01",
    ),
  ).toBe("1 part should have come by 30 Nov 2026");
});
