import { expect, test } from "vitest";
import { practiceAt } from "./practice";

test("an exercise is told from a job by its key alone", () => {
  const key = "01920000-0000-8000-8000-000000000001";
  expect(practiceAt(`/jobs/${key}/plan`)).toBe(key);
  expect(practiceAt(`/jobs/${key.toUpperCase()}`)).toBe(key);
  expect(
    practiceAt("/jobs/01920000-0000-7000-8000-000000000001/plan"),
  ).toBeNull();
  expect(practiceAt(`/practice/${key}`)).toBeNull();
  expect(practiceAt(`/jobs/${key}x`)).toBeNull();
  expect(practiceAt("/")).toBeNull();
});
