import type { JobView, Schemas } from "./client";
import type { JobAnswer } from "./letters";

type Doc = Schemas["JobDocument"];

/** Parts of what is computed that lie under the view's results. */
const ofResults: Record<
  Exclude<
    keyof Schemas["JobResults"],
    "format" | "version" | "core" | "jobId" | "ranking" | "cards" | "geometry"
  >,
  true
> = {
  walkRounds: true,
  predictions: true,
  needed: true,
  sharper: true,
  proofs: true,
  told: true,
  trials: true,
  moved: true,
  chain: true,
  sinceFirst: true,
  settling: true,
  settled: true,
  instruments: true,
};

/** A job after an answer; null when something in between was missed and it must be asked for anew. */
export function after(view: JobView, answer: JobAnswer): JobView | null {
  if (answer.version === view.version) {
    return view;
  }
  if (answer.from !== view.version) {
    return null;
  }
  const results: Record<string, unknown> = { ...view.results };
  const rest: Record<string, unknown> = { ...view };
  for (const [name, value] of Object.entries(answer.sections)) {
    (name in ofResults ? results : rest)[name] = value;
  }
  return {
    ...(rest as unknown as JobView),
    document: withRows(view.document, answer.rows),
    results: results as unknown as JobView["results"],
    version: answer.version,
    versions: { ...view.versions, ...answer.versions },
  };
}

function withRows(d: Doc, rows: JobAnswer["rows"]): Doc {
  const next: Record<string, unknown> = { ...d };
  for (const { list, id, row } of rows) {
    const there = next[list];
    next[list] = Array.isArray(there)
      ? put(there as { id: string }[], id, row as { id: string } | null)
      : row;
  }
  return next as unknown as Doc;
}

/** Rows lie in the order of their keys. */
function put(
  rows: { id: string }[],
  id: string,
  row: { id: string } | null,
): { id: string }[] {
  const others = rows.filter((r) => r.id !== id);
  return row === null
    ? others
    : [...others, row].sort((a, b) => (a.id < b.id ? -1 : 1));
}
