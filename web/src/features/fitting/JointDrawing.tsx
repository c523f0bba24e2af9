import type { Schemas } from "../../api/client";
import { Small, type Lines } from "../../shared/Small";

const bolt = "M4 24H10V18H14V24M4 24V30H14V18M14 22H40M14 26H40";
const nut = "M34 17H40V31H34Z";

/** What holds a joint of a kind together, cut through: the pieces thin, what is tightened bold. */
const drawings: Record<Schemas["JointKind"], Lines> = {
  bondedRubber: {
    around: ["M16 8H32V40H16Z", "M16 14H32M16 34H32"],
    it: ["M4 24H44M8 18V30M40 18V30"],
  },
  ball: {
    around: ["M14 20L18 4H30L34 20"],
    it: ["M20 22L22 34H26L28 22A6 6 0 1 0 20 22", "M18 34H30V41H18Z"],
  },
  clamped: {
    around: ["M6 18H42V24H6ZM6 24H42V30H6Z"],
    it: ["M18 12H30V17H18ZM22 17V38H26V17M18 32H30V37H18Z"],
  },
  wheel: {
    around: ["M5 24a19 19 0 1 0 38 0a19 19 0 1 0-38 0"],
    it: [
      "M22 12a2 2 0 1 0 4 0a2 2 0 1 0-4 0M33 20a2 2 0 1 0 4 0a2 2 0 1 0-4 0M29 33a2 2 0 1 0 4 0a2 2 0 1 0-4 0M15 33a2 2 0 1 0 4 0a2 2 0 1 0-4 0M11 20a2 2 0 1 0 4 0a2 2 0 1 0-4 0",
    ],
  },
  uBolt: {
    around: ["M17 32a7 7 0 1 0 14 0a7 7 0 1 0-14 0", "M8 18H40V22H8Z"],
    it: ["M14 10V32A10 10 0 0 0 34 32V10M10 12H18M30 12H38"],
  },
  studPlate: {
    around: ["M6 10H42V15H6Z", "M20 24H28V44H20Z"],
    it: ["M6 18H42V23H6Z", "M12 18V4M36 18V4M8 7H16M32 7H40"],
  },
  plainBolt: { around: ["M16 10H34V38H16Z"], it: [bolt, nut] },
  springEye: {
    around: ["M12 24a12 12 0 1 0 24 0M36 24H46"],
    it: ["M18 24a6 6 0 1 0 12 0a6 6 0 1 0-12 0M24 21V27M21 24H27"],
  },
  splinedClamp: {
    around: ["M18 4H30V44H18Z", "M21 4V44M24 4V44M27 4V44"],
    it: ["M12 18H38V30H12Z", "M34 24H46M44 20V28"],
  },
  axleNut: {
    around: ["M4 20H30V28H4Z", "M12 8V40H20V8Z"],
    it: ["M24 14H36V34H24ZM30 14V34", "M40 18L36 24L40 30"],
  },
  centreNut: {
    around: ["M10 18L38 22L10 26L38 30L10 34L38 38", "M8 14H40"],
    it: ["M22 4H26V44H22Z", "M17 6H31V13H17Z"],
  },
  pinchBolt: {
    around: ["M10 24a12 12 0 1 0 24 0a12 12 0 1 0-24 0", "M34 20H44M34 28H44"],
    it: ["M39 10V38M35 12H43M35 36H43"],
  },
  caliperBolts: {
    around: ["M4 24A20 20 0 0 1 24 4V44A20 20 0 0 1 4 24"],
    it: ["M26 12H36V36H26Z", "M36 17H44M36 31H44M42 14V20M42 28V34"],
  },
  union: {
    around: ["M30 20H46M30 28H46"],
    it: ["M12 16H30V32H12Z", "M4 22H12M4 26H12M18 16V32M24 16V32"],
  },
  rodEnd: {
    around: ["M30 24H46"],
    it: [
      "M6 24a8 8 0 1 0 16 0a8 8 0 1 0-16 0M12 24a2 2 0 1 0 4 0a2 2 0 1 0-4 0",
      "M22 24H30M28 17H34V31H28Z",
    ],
  },
  cushion: {
    around: ["M4 22H44V26H4Z", "M12 8H36V21H12ZM14 27H34V38H14Z"],
    it: ["M24 3V45M18 5H30M18 43H30"],
  },
  swayBarLink: {
    around: ["M4 8H20M8 42H44"],
    it: [
      "M20 8a4 4 0 1 0 8 0a4 4 0 1 0-8 0M20 42a4 4 0 1 0 8 0a4 4 0 1 0-8 0M24 12V38M32 8H28M32 42H28",
    ],
  },
  seat: {
    around: ["M12 6L36 10L12 14L36 18L12 22L36 26L12 30"],
    it: ["M6 32H42M10 32V40H38V32"],
  },
  plug: {
    around: ["M6 20H42V44H6Z"],
    it: ["M18 20V34H30V20M14 12H34V19H14Z"],
  },
  bracket: {
    around: ["M4 38C20 38 20 14 44 14"],
    it: ["M18 6V24H32M14 6H22", "M28 20a4 4 0 1 0 8 0a4 4 0 1 0-8 0"],
  },
};

export function JointDrawing({ kind }: { kind: Schemas["JointKind"] }) {
  return <Small lines={drawings[kind]} size={56} />;
}
