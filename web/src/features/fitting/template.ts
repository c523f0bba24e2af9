/** Widest strip that both A4 and Letter print with their margins, mm. */
const widest = 170;

/** Room beside the middle of a hole for its far edge, mm. */
const beyond = 8;

/** What of a distance fits on paper at its true size. */
export interface Strip {
  /** What is taped from the edge to the strip's first line, mm; 0 where the strip lies on the edge itself. */
  taped: number;
  /** From the strip's first line to the middle of the hole or the cut, mm. */
  run: number;
  /** Its length on paper, mm. */
  length: number;
}

/** A strip for a hole or a cut: the whole distance where it fits, else its last 100 mm. */
export function stripFor(distanceMm: number, sizeMm: number): Strip {
  const tail = sizeMm / 2 + beyond;
  const run = distanceMm + tail <= widest ? distanceMm : 100;
  return { taped: distanceMm - run, run, length: run + tail };
}
