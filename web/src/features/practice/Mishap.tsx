import type { Schemas } from "../../api/client";
import { useInks } from "../../shared/theme";

/** What each reason to stop guards against, as a still drawing: what stays, and what moves. */
const drawings: Record<
  Schemas["HoldReason"],
  { stays: string; moves: string; goes: string }
> = {
  weight: {
    stays: "M4 58 H116 M52 58 L60 44 L68 58",
    moves: "M14 42 L106 54 M26 47 v8 M92 52 v5",
    goes: "M24 18 V34 M18 28 L24 35 L30 28",
  },
  lastHold: {
    stays: "M8 14 H112 M30 14 V30",
    moves: "M30 40 L92 54 M92 46 a9 9 0 1 0 .1 0 M34 18 q16 14 10 22",
    goes: "M70 28 L84 40 M76 40 L85 41 L83 32",
  },
  energy: {
    stays: "M8 58 H50 M12 58 V50 H40 V58",
    moves: "M58 40 l10 -8 l-2 14 l12 -10 l-2 14 l12 -10 l-2 14",
    goes: "M84 24 L108 8 M98 7 L109 7 L106 17",
  },
  irreversible: {
    stays: "M10 20 H110 V46 H10 Z M40 33 a6 6 0 1 0 .1 0",
    moves: "M66 12 V56 M66 34 a6 6 0 1 0 .1 0",
    goes: "M44 60 H62 M56 55 L63 60 L56 65",
  },
  weightBack: {
    stays: "M4 58 H116 M24 58 a14 14 0 1 1 .1 0",
    moves: "M10 26 H110 M84 26 L92 46",
    goes: "M60 4 V20 M54 14 L60 21 L66 14",
  },
  rideHeight: {
    stays: "M4 58 H116 M30 40 a8 8 0 1 0 .1 0",
    moves: "M30 48 L100 30 M24 42 q6 -6 12 0 M26 52 q4 4 10 0",
    goes: "M100 24 V8 M94 14 L100 7 L106 14",
  },
  brakeTest: {
    stays: "M96 6 V60 M84 60 H112",
    moves: "M10 40 H60 V54 H10 Z M20 54 a5 5 0 1 0 .1 0 M50 54 a5 5 0 1 0 .1 0",
    goes: "M64 46 H90 M83 40 L91 46 L83 52",
  },
};

/** A still drawing of what would have happened; what it shows stands beside it in words. */
export function Mishap({ reason }: { reason: Schemas["HoldReason"] }) {
  const inks = useInks();
  const { stays, moves, goes } = drawings[reason];
  return (
    <svg
      viewBox="0 0 120 68"
      width={120}
      height={68}
      aria-hidden
      fill="none"
      strokeWidth={2.5}
      strokeLinecap="round"
      style={{ flex: "none" }}
    >
      <path d={stays} stroke={inks.soft} />
      <path d={moves} stroke={inks.ink} />
      <path d={goes} stroke={inks.stop} />
    </svg>
  );
}
