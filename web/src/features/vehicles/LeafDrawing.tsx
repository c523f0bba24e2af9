import { useInks } from "../../shared/theme";

/** A leaf spring from the side with what is taped of it: eye to eye, arch, shackle and its angle, and where the axle sits. */
export function LeafDrawing({
  underslung,
  pulled = false,
}: {
  underslung: boolean;
  pulled?: boolean;
}) {
  const inks = useInks();
  const eye = { x: 40, y: 70 };
  const far = { x: 300, y: 70 };
  const pivot = { x: 322, y: pulled ? 110 : 30 };
  const axle = { x: 160, y: underslung ? 96 : 142 };
  const words = (x: number, y: number, text: string, anchor = "middle") => (
    <text
      x={x}
      y={y}
      fill={inks.ink}
      fontSize={13}
      textAnchor={anchor as "middle"}
    >
      {text}
    </text>
  );
  return (
    <svg
      viewBox="0 0 380 196"
      role="img"
      aria-label="The leaf from the side: eye to eye between the eye centres, the arch from that line to the main leaf at the axle, the shackle from eye to eye and its lean against square to the line, and the axle's place along it"
      style={{ width: "100%", maxWidth: 380 }}
    >
      <path d="M10 26H370" stroke={inks.ink} strokeWidth={5} />
      <path
        d={`M40 26V${eye.y.toString()}${pulled ? "M352 26V110H322" : "M322 26V30"}`}
        fill="none"
        stroke={inks.ink}
        strokeWidth={5}
      />
      <path
        d={`M${far.x.toString()} ${far.y.toString()}L${pivot.x.toString()} ${pivot.y.toString()}`}
        stroke={inks.now}
        strokeWidth={5}
        strokeLinecap="round"
      />
      <path
        d={`M${eye.x.toString()} ${eye.y.toString()}L${far.x.toString()} ${far.y.toString()}`}
        stroke={inks.soft}
        strokeDasharray="6 4"
      />
      <path
        d={`M40 70Q160 158 300 70M72 98Q160 148 264 96M104 118Q160 142 226 116`}
        fill="none"
        stroke={inks.ink}
        strokeWidth={4}
      />
      {[eye, far, pivot].map((p) => (
        <circle
          key={p.x}
          cx={p.x}
          cy={p.y}
          r={7}
          fill={inks.paper}
          stroke={inks.ink}
          strokeWidth={2.5}
        />
      ))}
      <circle
        cx={axle.x}
        cy={axle.y}
        r={12}
        fill={inks.paper}
        stroke={inks.ink}
        strokeWidth={3}
      />
      <path d="M180 70V113" stroke={inks.planned} strokeWidth={2} />
      <path d="M40 156V170M160 156V170M300 156V170" stroke={inks.soft} />
      <path d="M40 163H300" stroke={inks.planned} strokeWidth={2} />
      <path
        d={`M300 70V${pulled ? "120" : "20"}`}
        stroke={inks.soft}
        strokeDasharray="3 3"
      />
      {words(110, 64, "eye to eye")}
      {words(187, 96, "arch", "start")}
      {words(
        pulled ? 294 : 330,
        pulled ? 104 : 54,
        "shackle",
        pulled ? "end" : "start",
      )}
      {words(296, pulled ? 130 : 18, "its lean", "end")}
      {words(100, 180, "to the axle")}
      {words(230, 180, "of the whole")}
    </svg>
  );
}
