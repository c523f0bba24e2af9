import { describe, expect, it } from "vitest";
import guide from "../../../docs/guide.md?page";
import app from "./App.tsx?raw";
import { helpOf, pages } from "../features/guide/pages";

describe("help of a page", () => {
  it("leads to a heading of the guide", () => {
    const headings = guide.headings.map((h) => h.id);
    for (const page of pages) {
      expect(headings, page.path).toContain(page.section);
    }
  });

  it("is there for every page, and for the page that is shown", () => {
    const routes = [...app.matchAll(/<Route path="([^"*]+)(?:\/\*)?"/g)].map(
      (m) => m[1] ?? "",
    );
    expect(routes.length).toBeGreaterThan(18);
    for (const route of routes.filter((r) => r !== "jobs/:job")) {
      expect(
        pages.some((p) =>
          [`/${route}`, `/${route}/*`, `/jobs/:job/${route}`].includes(p.path),
        ),
        route,
      ).toBe(true);
    }
    expect(helpOf("/jobs/17/plan")?.title).toBe("Plan");
    expect(helpOf("/jobs/17/plan/quote")?.title).toBe("Quote");
    expect(helpOf("/bench")?.title).toBe("Calculator");
    expect(helpOf("/bench/rake")?.title).toBe("Calculator");
    expect(helpOf("/nowhere")).toBeNull();
  });

  it("is a page of which every link leads somewhere", () => {
    expect(guide.html).toContain('href="/guide/computation/week"');
    expect(guide.html).toContain('href="/guide#week"');
    // Outside of the pages there is nothing to open.
    expect(guide.html).not.toMatch(/href="(?!\/guide|https?:|#)/);
  });
});
