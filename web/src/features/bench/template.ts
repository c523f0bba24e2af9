import type { Schemas } from "../../api/client";

/** Widths of the pens, mm: what is cut, and what is only a mark. */
const pens = { cut: 0.35, mark: 0.15 } as const;

/** A template as its printer wants it: every place already drawn larger or smaller, mm. */
export interface Printed {
  width: number;
  height: number;
  lines: { d: string; width: number }[];
  /** Where a printer stretches one way more than the other, a circle is drawn as an ellipse, so that it comes out round. */
  circles: { x: number; y: number; rx: number; ry: number; width: number }[];
  texts: { x: number; y: number; says: string; size: number }[];
}

const round = (mm: number) => Math.round(mm * 1000) / 1000;

/** Draws a template for the printer whose bars were measured. */
export function printed(t: Schemas["Template"]): Printed {
  const { across, down } = t.print;
  return {
    width: round(t.width * across),
    height: round(t.height * down),
    lines: t.lines.map((l) => ({
      d: `M${l.points.map((p) => `${round(p.x * across).toString()} ${round(p.y * down).toString()}`).join("L")}`,
      width: pens[l.pen],
    })),
    circles: t.circles.map((c) => ({
      x: round(c.at.x * across),
      y: round(c.at.y * down),
      rx: round(c.radius * across),
      ry: round(c.radius * down),
      width: pens[c.pen],
    })),
    texts: t.texts.map((x) => ({
      x: round(x.at.x * across),
      y: round(x.at.y * down),
      says: x.says,
      size: x.size,
    })),
  };
}

const escaped = (text: string) =>
  text.replaceAll("&", "&amp;").replaceAll("<", "&lt;");

/** A template as a file of SVG, as large as it is. */
export function templateSvg(t: Schemas["Template"]): string {
  const p = printed(t);
  const [w, h] = [p.width.toString(), p.height.toString()];
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${w}mm" height="${h}mm" viewBox="0 0 ${w} ${h}" fill="none" stroke="black" font-family="sans-serif">`,
    `<title>${escaped(t.title)}</title>`,
    ...p.lines.map(
      (l) => `<path d="${l.d}" stroke-width="${l.width.toString()}"/>`,
    ),
    ...p.circles.map(
      (c) =>
        `<ellipse cx="${c.x.toString()}" cy="${c.y.toString()}" rx="${c.rx.toString()}" ry="${c.ry.toString()}" stroke-width="${c.width.toString()}"/>`,
    ),
    ...p.texts.map(
      (x) =>
        `<text x="${x.x.toString()}" y="${x.y.toString()}" font-size="${x.size.toString()}" fill="black" stroke="none">${escaped(x.says)}</text>`,
    ),
    "</svg>",
    "",
  ].join("\n");
}

/** A size as a link to the calculator has it: a length with its unit, anything else as the number that the field asks for. */
const typed = (q: Schemas["Quantity"]) =>
  q.unit === "mm" || q.unit === "in"
    ? `${q.value.toString()} ${q.unit}`
    : q.value.toString();

/** Where the calculator draws a template of a part: what the part says of itself stands in its fields. */
export function templateLink(
  sheet: string,
  part: Pick<Schemas["PlacedPart"], "thickness" | "dimensions">,
): string {
  const sizes = Object.entries(part.dimensions);
  if (part.thickness) {
    sizes.push(["thickness", part.thickness]);
  }
  const query = new URLSearchParams(
    sizes.map(([name, q]): [string, string] => [name, typed(q)]),
  ).toString();
  return `/bench/${sheet}${query && `?${query}`}`;
}
