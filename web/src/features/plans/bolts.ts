import type { Schemas } from "../../api/client";

type Row = Schemas["BoltRow"];

/** The same place on the other side, or null: it has none. */
export const otherSide = (place: string): string | null =>
  /^[LR][FR] /.test(place)
    ? (place.startsWith("L") ? "R" : "L") + place.slice(1)
    : null;

/** Rows by their places, in their order. */
export const placesOf = (rows: Row[]): { place: string; rows: Row[] }[] =>
  [...new Set(rows.map((r) => r.place))].map((place) => ({
    place,
    rows: rows.filter((r) => r.place === place),
  }));

/** What becomes of the bolts of a place, each a short line. */
export function boltsDo(r: Row): string[] {
  const { count, newPartOnly } = r.fastener;
  const old = r.old.map((o) => `${o.count.toString()} old of ${o.from}`);
  const fresh =
    r.new === null
      ? ["its own again, or longer: note it with the part"]
      : r.new === 0
        ? []
        : [`${r.new.toString()} new${newPartOnly ? ", never used again" : ""}`];
  return [
    ...(r.new === 0 && old.length === 0 ? ["its own again"] : []),
    ...fresh,
    ...old,
    ...(r.serve > 0
      ? [
          r.serve === count
            ? "its old ones serve elsewhere"
            : `${r.serve.toString()} of its old ones serve elsewhere`,
        ]
      : []),
  ];
}
