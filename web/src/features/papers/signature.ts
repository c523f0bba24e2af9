/** Field in which a signature is kept, whatever its size on a screen. */
export const width = 1000;
export const height = 300;

const most = 400;

/** Strokes as they are kept: x, y, x, y …, within the field, of a long one every so many points. */
export function strokesOf(
  groups: readonly { points: readonly { x: number; y: number }[] }[],
  shown: number,
): number[][] {
  const within = (v: number, end: number) =>
    Math.min(end, Math.max(0, Math.round((v * width) / shown)));
  return groups
    .filter((g) => g.points.length > 0)
    .map(({ points }) => {
      const every = Math.ceil(points.length / most);
      return points
        .filter((_, i) => i % every === 0 || i === points.length - 1)
        .flatMap((p) => [within(p.x, width), within(p.y, height)]);
    });
}
