import type { useInks } from "../../shared/theme";

/** A length of a drawing. */
export const n = (x: number) => x.toFixed(1);

/** With what the sheets are drawn: parts, how they were, how they are, and words. */
export function pens(inks: ReturnType<typeof useInks>) {
  return {
    part: { stroke: inks.ink, strokeWidth: 4, fill: "none" },
    now: { stroke: inks.now, strokeWidth: 5, fill: "none" },
    before: {
      stroke: inks.soft,
      strokeDasharray: "5 4",
      strokeWidth: 3,
      fill: "none",
    },
    says: (x: number, y: number, text: string) => (
      <text x={x} y={y} fontSize={13} textAnchor="middle" fill={inks.ink}>
        {text}
      </text>
    ),
  };
}
