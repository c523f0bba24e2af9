import type { ReactNode } from "react";
import type { Inks } from "../../../shared/theme";

type Draw = (inks: Inks) => ReactNode;

/** An arrow with two ends: what is measured. */
function Tape({ d, inks }: { d: string; inks: Inks }) {
  return (
    <>
      <defs>
        <marker
          id="end"
          viewBox="0 0 8 8"
          refX={7}
          refY={4}
          markerWidth={5}
          markerHeight={5}
          orient="auto-start-reverse"
        >
          <path d="M 0 0 L 8 4 L 0 8 Z" fill={inks.marker} stroke="none" />
        </marker>
      </defs>
      <path
        d={d}
        stroke={inks.marker}
        strokeWidth={3}
        markerStart="url(#end)"
        markerEnd="url(#end)"
      />
    </>
  );
}

const floor = <path d="M 8 118 H 192" />;
const wheelSide = (
  <>
    <circle cx={100} cy={76} r={42} />
    <circle cx={100} cy={76} r={25} />
    <circle cx={100} cy={76} r={3} />
  </>
);
/** A wheel seen from the front, on the right of the picture. */
const wheelFront = (x: number, lean = 0) => (
  <rect
    x={x - 13}
    y={34}
    width={26}
    height={84}
    rx={6}
    transform={`rotate(${lean.toString()} ${x.toString()} 118)`}
  />
);
const shock = (top: number, bottom: number) => (
  <>
    <path d={`M 100 ${top.toString()} V ${(top + 22).toString()}`} />
    <rect x={88} y={top + 22} width={24} height={bottom - top - 40} />
    <path
      d={`M 100 ${(bottom - 18).toString()} V ${bottom.toString()}`}
      strokeWidth={5}
    />
    <circle cx={100} cy={top} r={5} />
    <circle cx={100} cy={bottom} r={5} />
  </>
);
const gauge = (x: number, y: number, angle: number, inks: Inks) => (
  <g
    transform={`translate(${x.toString()} ${y.toString()}) rotate(${angle.toString()})`}
    stroke={inks.marker}
  >
    <rect x={-20} y={-24} width={40} height={24} fill={inks.tag} />
    <circle cx={0} cy={-12} r={7} />
  </g>
);

/** A drawing for each measure, by its key. */
export const drawings: Record<string, Draw> = {
  hubHeight: (inks) => (
    <>
      {floor}
      {wheelSide}
      <Tape d="M 150 76 V 116" inks={inks} />
      <path d="M 103 76 H 156" strokeDasharray="4 4" stroke={inks.soft} />
    </>
  ),
  rimRadius: (inks) => (
    <>
      {floor}
      {wheelSide}
      <Tape d="M 100 78 V 100" inks={inks} />
    </>
  ),
  bumpStopGap: (inks) => (
    <>
      <path d="M 30 24 H 170" strokeWidth={6} />
      <path d="M 84 28 h 32 l -8 26 h -16 Z" fill={inks.line} />
      <path d="M 60 98 H 150" strokeWidth={8} />
      <Tape d="M 132 56 V 92" inks={inks} />
      <path d="M 112 55 H 140" strokeDasharray="4 4" stroke={inks.soft} />
    </>
  ),
  shockLength: (inks) => (
    <>
      {shock(16, 114)}
      <Tape d="M 140 16 V 114" inks={inks} />
    </>
  ),
  shockCollapsed: (inks) => (
    <>
      {shock(34, 96)}
      <Tape d="M 140 34 V 96" inks={inks} />
      <path
        d="M 60 20 v 14 m -5 -6 l 5 6 l 5 -6 M 60 110 v -14"
        stroke={inks.soft}
      />
    </>
  ),
  shockExtended: (inks) => (
    <>
      {shock(8, 122)}
      <Tape d="M 140 8 V 122" inks={inks} />
    </>
  ),
  droop: (inks) => (
    <>
      <circle cx={80} cy={52} r={30} strokeDasharray="5 4" />
      <circle cx={80} cy={84} r={30} />
      <path d="M 20 14 H 150" strokeWidth={6} />
      <Tape d="M 138 52 V 84" inks={inks} />
      <path
        d="M 80 52 H 142 M 80 84 H 142"
        stroke={inks.soft}
        strokeDasharray="4 4"
      />
    </>
  ),
  bump: (inks) => (
    <>
      <circle cx={80} cy={80} r={30} strokeDasharray="5 4" />
      <circle cx={80} cy={56} r={30} />
      <path d="M 20 14 H 150" strokeWidth={6} />
      <Tape d="M 138 56 V 80" inks={inks} />
      <path
        d="M 80 56 H 142 M 80 80 H 142"
        stroke={inks.soft}
        strokeDasharray="4 4"
      />
    </>
  ),
  hoseSlack: (inks) => (
    <>
      <path d="M 24 20 v 20 h 18" strokeWidth={6} />
      <path d="M 176 96 v -18 h -18" strokeWidth={6} />
      <path d="M 42 40 q 30 74 116 38" strokeWidth={5} stroke={inks.soft} />
      <path d="M 42 40 L 158 78" strokeDasharray="4 4" />
      <Tape d="M 92 60 L 84 84" inks={inks} />
    </>
  ),
  overhang: (inks) => (
    <>
      {floor}
      <path d="M 20 40 q 70 -30 96 0 v 8" strokeWidth={4} />
      {wheelFront(122)}
      <path d="M 117 48 V 116" stroke={inks.marker} strokeDasharray="5 4" />
      <Tape d="M 117 84 H 135" inks={inks} />
    </>
  ),
  fenderAtLock: (inks) => (
    <>
      <path d="M 20 104 q 6 -84 80 -84 q 74 0 80 84" strokeWidth={4} />
      <ellipse cx={100} cy={80} rx={26} ry={44} transform="rotate(24 100 80)" />
      <Tape d="M 128 52 L 150 42" inks={inks} />
    </>
  ),
  armSlope: (inks) => (
    <>
      <path d="M 34 56 L 160 84" strokeWidth={7} />
      <circle cx={34} cy={56} r={7} />
      <circle cx={160} cy={84} r={7} />
      <path d="M 34 56 H 160" strokeDasharray="4 4" stroke={inks.soft} />
      {gauge(98, 67, 12.5, inks)}
    </>
  ),
  dragLinkSlope: (inks) => (
    <>
      <path d="M 34 44 L 160 86" strokeWidth={5} />
      <circle cx={34} cy={44} r={7} />
      <circle cx={160} cy={86} r={7} />
      <path d="M 34 44 H 160" strokeDasharray="4 4" stroke={inks.soft} />
      {gauge(98, 63, 18.5, inks)}
    </>
  ),
  caster: (inks) => (
    <>
      {floor}
      {wheelSide}
      <path d="M 86 18 L 112 118" stroke={inks.marker} strokeWidth={3} />
      <path d="M 100 18 V 118" stroke={inks.soft} strokeDasharray="4 4" />
    </>
  ),
  camberSquare: (inks) => (
    <>
      {floor}
      {wheelFront(112, -5)}
      <path
        d="M 64 118 h 30 M 94 118 V 26"
        stroke={inks.marker}
        strokeWidth={4}
      />
      <Tape d="M 78 46 H 92" inks={inks} />
      <Tape d="M 40 40 V 112" inks={inks} />
    </>
  ),
  camberAngle: (inks) => (
    <>
      {floor}
      {wheelFront(112, -7)}
      <path d="M 112 20 V 118" stroke={inks.soft} strokeDasharray="4 4" />
      {gauge(82, 76, -97, inks)}
    </>
  ),
  wheelWeight: (inks) => (
    <>
      {floor}
      <g transform="translate(-35 -10)">{wheelSide}</g>
      <rect x={20} y={108} width={90} height={9} fill={inks.tag} />
      <path d="M 110 113 H 132 V 84" stroke={inks.soft} />
      <g stroke={inks.marker}>
        <rect x={122} y={52} width={62} height={32} fill={inks.tag} />
        <path d="M 132 74 V 62 M 142 74 V 62 M 152 74 V 62 M 166 74 V 62 H 174 V 74 Z" />
      </g>
    </>
  ),
  toeAngle: (inks) => toe(inks, false, false),
  toeFront: (inks) => toe(inks, true, false),
  toeRear: (inks) => toe(inks, false, true),
  thrustAngle: (inks) => (
    <>
      <path d="M 100 16 V 116" stroke={inks.soft} strokeDasharray="5 4" />
      <path d="M 60 96 L 140 102" strokeWidth={5} />
      <path d="M 100 99 L 92 20" stroke={inks.marker} strokeWidth={3} />
    </>
  ),
  panhardRun: (inks) => (
    <>
      {panhard}
      <Tape d="M 46 114 H 152" inks={inks} />
      <path
        d="M 46 36 V 114 M 152 76 V 114"
        stroke={inks.soft}
        strokeDasharray="4 4"
      />
    </>
  ),
  panhardBodyEnd: (inks) => (
    <>
      {floor}
      {panhard}
      <Tape d="M 46 44 V 116" inks={inks} />
    </>
  ),
  panhardAxleEnd: (inks) => (
    <>
      {floor}
      {panhard}
      <Tape d="M 152 84 V 116" inks={inks} />
    </>
  ),
  pinionAngle: (inks) => (
    <>
      <circle cx={136} cy={74} r={26} />
      <path d="M 112 66 L 70 58 v 18 l 44 8 Z" />
      <path d="M 70 66 L 20 52" strokeWidth={5} stroke={inks.soft} />
      {gauge(70, 57, -80, inks)}
    </>
  ),
  shaftAngle: (inks) => (
    <>
      <path d="M 20 42 L 176 84" strokeWidth={9} stroke={inks.soft} />
      <path d="M 20 42 H 176" strokeDasharray="4 4" />
      {gauge(98, 58, 15, inks)}
    </>
  ),
  barArmSlope: (inks) => (
    <>
      {floor}
      <circle cx={40} cy={50} r={7} />
      <path d="M 40 50 L 150 86" strokeWidth={8} stroke={inks.soft} />
      <path d="M 40 50 H 168" strokeDasharray="4 4" />
      <circle cx={150} cy={86} r={4} />
      <path d="M 150 86 V 110" strokeWidth={5} />
      {gauge(96, 62, 18, inks)}
    </>
  ),
  halfShaftSlope: (inks) => (
    <>
      {floor}
      <rect x={16} y={34} width={30} height={26} rx={6} />
      <path d="M 46 48 L 150 76" strokeWidth={7} stroke={inks.soft} />
      <path d="M 46 48 H 168" strokeDasharray="4 4" />
      <rect x={150} y={36} width={26} height={80} rx={8} />
      {gauge(98, 54, 15, inks)}
    </>
  ),
  bodyAngle: (inks) => (
    <>
      <path d="M 16 74 L 184 64" strokeWidth={7} />
      <path d="M 16 84 H 184" stroke={inks.soft} strokeDasharray="4 4" />
      <circle cx={34} cy={102} r={16} />
      <circle cx={164} cy={102} r={16} />
      {gauge(100, 66, -3.5, inks)}
    </>
  ),
  lampCutOff: (inks) => (
    <>
      {floor}
      <path d="M 184 14 V 118" strokeWidth={5} />
      <path d="M 10 96 V 62 h 40 l 12 14 v 20" />
      <circle cx={24} cy={106} r={12} />
      <path d="M 62 78 L 182 62" stroke={inks.soft} strokeDasharray="5 4" />
      <Tape d="M 172 64 V 116" inks={inks} />
      <Tape d="M 66 110 H 164" inks={inks} />
    </>
  ),
  ride: (inks) => (
    <path
      d="M 12 80 q 22 -40 44 0 t 44 0 t 44 0 t 44 0"
      stroke={inks.marker}
      strokeWidth={4}
    />
  ),
};
drawings.noise = (inks) => (
  <>
    <path d="M 40 52 h 24 l 26 -22 v 72 l -26 -22 h -24 Z" />
    <path
      d="M 108 46 q 16 20 0 40 M 126 34 q 28 32 0 64 M 146 24 q 38 42 0 84"
      stroke={inks.marker}
    />
  </>
);

const panhard = (
  <>
    <path d="M 30 20 H 62 V 36" />
    <path d="M 100 92 H 180" strokeWidth={8} />
    <path d="M 46 36 L 152 76" strokeWidth={6} />
    <circle cx={46} cy={36} r={7} />
    <circle cx={152} cy={76} r={7} />
  </>
);

/** Both wheels from above, toed in; the tape in front of or behind the axle. */
function toe(inks: Inks, front: boolean, rear: boolean): ReactNode {
  return (
    <>
      <path d="M 44 66 H 156" />
      <rect
        x={30}
        y={30}
        width={22}
        height={72}
        rx={6}
        transform="rotate(5 41 66)"
      />
      <rect
        x={148}
        y={30}
        width={22}
        height={72}
        rx={6}
        transform="rotate(-5 159 66)"
      />
      {front && <Tape d="M 48 34 H 152" inks={inks} />}
      {rear && <Tape d="M 42 98 H 158" inks={inks} />}
      {!front && !rear && (
        <path
          d="M 41 20 V 112 M 159 20 V 112"
          stroke={inks.soft}
          strokeDasharray="4 4"
        />
      )}
    </>
  );
}
