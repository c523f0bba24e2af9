import type { Schemas } from "../api/client";
import { Small, type Lines } from "./Small";

const coil = "M15 12L33 15L15 18L33 21L15 24L33 27L15 30";
const ring = (x: number, y: number, r: number) =>
  `M${(x - r).toString()} ${y.toString()}a${r.toString()} ${r.toString()} 0 1 0 ${(2 * r).toString()} 0a${r.toString()} ${r.toString()} 0 1 0 ${(-2 * r).toString()} 0`;
const box = (x: number, y: number, width: number, height: number) =>
  `M${x.toString()} ${y.toString()}h${width.toString()}v${height.toString()}h${(-width).toString()}z`;

const body = "M4 6H44M8 6L5 2M16 6L13 2M24 6L21 2M32 6L29 2M40 6L37 2";
const tube = box(20, 22, 8, 18);
const foot = ring(24, 43, 2);
const strut = [body, tube, foot, "M24 6V12"];
const axle = "M4 38H44M4 43H44";
const onAxle = [body, axle];
const tubeEnd = ring(24, 35, 6);
const arms = [body, "M12 12H30M12 34H32", ring(10, 12, 2), ring(10, 34, 2)];
const knuckle = "M32 10L36 14V32L34 36M36 23H42";
const bar = [body, "M8 6V12", axle];
const rail = "M10 3V45M38 3V45";

/** Where a part of a kind sits, drawn from the side or from ahead: what is around it thin, the part itself bold. */
const drawings: Record<Schemas["PartKind"], Lines> = {
  strutTopSpacer: {
    around: [body, coil, tube, foot],
    it: [box(16, 6, 16, 5)],
    filled: true,
  },
  strutLowerSpacer: {
    around: [body, coil, "M24 6V12", box(20, 22, 8, 14), "M8 45H40"],
    it: [box(16, 37, 16, 5)],
    filled: true,
  },
  preloadSpacer: {
    around: [...strut, "M15 16L33 19L15 22L33 25L15 28"],
    it: [box(14, 11, 20, 4)],
    filled: true,
  },
  raisedCollar: {
    around: [...strut, "M15 10L33 13L15 16L33 19L15 22"],
    it: [box(14, 23, 20, 4), "M40 30V20M37 23L40 19L43 23"],
  },
  torsionAdjuster: {
    around: ["M4 14H34", box(36, 4, 8, 40)],
    it: [ring(30, 14, 4), "M30 18V36M24 36H36M30 40V30", "M22 42Q30 47 38 42"],
  },
  coilOver: { around: [body], it: [coil, tube, foot, "M24 6V12"] },
  coilSpacer: {
    around: [...onAxle, "M15 14L33 17L15 20L33 23L15 26L33 29L15 32"],
    it: [box(14, 7, 20, 5)],
    filled: true,
  },
  coil: { around: onAxle, it: ["M15 8L33 12L15 16L33 20L15 24L33 28L15 32"] },
  airSpring: {
    around: onAxle,
    it: [
      "M16 8C8 12 8 18 16 21C8 24 8 31 16 35H32C40 31 40 24 32 21C40 18 40 12 32 8Z",
    ],
  },
  leafPack: {
    around: [body, ring(24, 36, 5)],
    it: ["M4 14Q24 32 44 14", "M9 21Q24 33 39 21", "M15 27Q24 33 33 27"],
  },
  block: {
    around: [body, "M4 10Q24 24 44 10", ring(24, 36, 7)],
    it: [box(17, 18, 14, 10)],
    filled: true,
  },
  shackle: {
    around: [body, "M4 14Q20 34 38 24", tubeEnd],
    it: [ring(40, 9, 2), ring(38, 24, 2), "M40 11L38 22"],
  },
  bodyPuck: {
    around: ["M4 8H44M4 12H44", box(6, 30, 36, 12), "M24 4V46"],
    it: [box(14, 13, 20, 16)],
    filled: true,
  },
  bodyMount: {
    around: ["M4 8H44", "M4 24H44M4 27H44", "M24 4V46"],
    it: [box(15, 9, 18, 14), box(17, 28, 14, 11)],
  },
  dropBracket: {
    around: [body, "M17 36H44", ring(14, 36, 2)],
    it: ["M7 7V40H21V7", "M7 14H21"],
  },
  subframeBlock: {
    around: [body, box(6, 26, 36, 9), "M14 40H34", "M24 9V44"],
    it: [box(15, 8, 18, 16)],
    filled: true,
  },
  diffDrop: {
    around: [body, ring(24, 32, 11), "M6 20H42"],
    it: [box(9, 7, 7, 12), box(32, 7, 7, 12)],
    filled: true,
  },
  bumpStopExtension: {
    around: [body, "M17 22L20 34H28L31 22Z", axle],
    it: [box(17, 8, 14, 13)],
    filled: true,
  },
  shock: {
    around: ["M4 3H44M4 45H44"],
    it: [
      ring(30, 8, 3),
      "M29 11L27 20",
      "M22 18L32 21L26 40L16 37Z",
      ring(19, 41, 2),
    ],
  },
  swayBarLink: {
    around: ["M4 8H24", "M6 42H40", ring(40, 42, 3)],
    it: [ring(26, 8, 3), ring(26, 38, 3), "M26 11V35"],
  },
  halfShaftSpacer: {
    around: [ring(12, 24, 10), "M30 21H46M30 27H46"],
    it: [box(23, 14, 6, 20)],
    filled: true,
  },
  trackBar: {
    around: bar,
    it: [ring(8, 14, 3), ring(40, 34, 3), "M11 15L37 33"],
  },
  trackBarBracket: {
    around: [...bar, ring(8, 14, 2), "M10 15L36 25"],
    it: ["M32 38V22H42V38", ring(37, 26, 2)],
  },
  upperArm: {
    around: ["M4 45H44", "M10 34H32", ring(8, 34, 2), knuckle],
    it: [ring(8, 12, 3), "M11 12H29", ring(32, 12, 3)],
  },
  lowerArm: {
    around: ["M4 3H44", "M10 12H30", ring(8, 12, 2), knuckle],
    it: [ring(8, 35, 3), "M11 35H30", ring(33, 35, 3)],
  },
  upright: {
    around: arms,
    it: ["M31 9L36 14V31L33 37M36 22H44M36 25H44"],
  },
  casterBush: { around: ["M4 40H44"], it: [ring(24, 22, 15), ring(28, 18, 5)] },
  linkBracket: {
    around: [body, "M16 36L44 42", axle],
    it: ["M6 7V40H18V7", ring(12, 34, 3)],
  },
  axleShim: {
    around: [body, "M4 12Q24 26 44 12", ring(24, 37, 7)],
    it: ["M12 21L36 27V29H12Z"],
    filled: true,
  },
  uBolts: {
    around: ["M4 12Q24 26 44 12", ring(24, 34, 7), "M8 15H40"],
    it: ["M14 8V34A10 10 0 0 0 34 34V8"],
  },
  crossMember: { around: [rail], it: [box(10, 18, 28, 10)] },
  steeringDamper: {
    around: ["M4 38H44", ring(42, 24, 2)],
    it: [ring(6, 24, 3), "M9 24H18", box(18, 19, 18, 10), "M36 24H40"],
  },
  dragLink: {
    around: ["M40 4V14", axle],
    it: [ring(40, 16, 3), ring(8, 32, 3), "M37 17L26 22L20 22L11 31"],
  },
  pitmanArm: {
    around: [box(6, 4, 22, 14), "M34 40H46"],
    it: [ring(18, 18, 4), "M20 22L32 36", ring(33, 40, 3)],
  },
  steeringStops: {
    around: [knuckle, "M4 38H34", ring(34, 38, 3)],
    it: ["M22 26H34M24 22V30M28 22V30", ring(20, 26, 2)],
  },
  propshaft: {
    around: [ring(40, 34, 5), box(2, 4, 10, 12)],
    it: [ring(14, 13, 3), ring(34, 30, 3), "M16 11L36 27M12 16L32 33"],
  },
  levelSensorLink: {
    around: [box(6, 6, 12, 10), "M18 11H34", "M6 42H42"],
    it: [ring(36, 11, 3), ring(36, 38, 3), "M36 14V35"],
  },
  brakeHose: {
    around: [box(2, 4, 8, 8), ring(38, 36, 8)],
    it: ["M10 8C34 6 8 34 30 34"],
  },
  brakeHoseBracket: {
    around: [body, "M20 30C40 30 24 44 44 44"],
    it: ["M8 7V30H20M8 14H14", ring(20, 30, 2)],
  },
  wheelSpacer: {
    around: [box(4, 14, 12, 20), box(26, 4, 16, 40)],
    it: [box(17, 9, 8, 30)],
    filled: true,
  },
  tyre: { around: [ring(24, 24, 8)], it: [ring(24, 24, 19), ring(24, 24, 13)] },
  unknown: {
    around: [],
    it: ["M14 16A10 10 0 1 1 24 27V32", ring(24, 40, 1)],
  },
  kit: {
    around: ["M24 14V44"],
    it: [box(6, 14, 36, 30), "M6 14L14 5H34L42 14"],
  },
};

export function PartDrawing({
  kind,
  size = 40,
}: {
  kind: Schemas["PartKind"];
  size?: number;
}) {
  return <Small lines={drawings[kind]} size={size} />;
}
