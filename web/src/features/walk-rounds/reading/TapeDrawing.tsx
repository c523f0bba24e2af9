import { useEffect, useRef } from "react";
import { useInks } from "../../../shared/theme";
import { shown, text } from "../../../shared/length";
import { divisionMm, snap, ticks, type Division } from "./tape";

const perMm = 80 / 25.4;
const height = 350;
const width = 168;
const middle = 190;
const edge = 52;

/** A real tape: the hook up at the station, the datum at the marker. Dragged, tapped, wheeled or stepped by keys. */
export function TapeDrawing({
  mm,
  start,
  division,
  hook,
  datum,
  onChange,
}: {
  /** What is read now; null shows the tape where it would begin. */
  mm: number | null;
  start: number;
  division: Division;
  hook: string;
  datum: string;
  onChange: (mm: number) => void;
}) {
  const inks = useInks();
  const svg = useRef<SVGSVGElement>(null);
  const drag = useRef<{ y: number; from: number; moved: boolean } | null>(null);
  const at = mm ?? start;
  const step = divisionMm(division);
  const move = useRef((n: number) => n);
  useEffect(() => {
    move.current = (n: number) => {
      onChange(snap(at + n * step, division));
      return n;
    };
  });
  useEffect(() => {
    const node = svg.current;
    // React's own wheel listener is passive, and the page would scroll with the tape.
    const wheel = (e: WheelEvent) => {
      e.preventDefault();
      move.current(e.deltaY > 0 ? 1 : -1);
    };
    node?.addEventListener("wheel", wheel, { passive: false });
    return () => node?.removeEventListener("wheel", wheel);
  }, []);
  const scaled = (clientY: number) => {
    const box = svg.current?.getBoundingClientRect();
    return box ? ((clientY - box.top) / box.height) * height : 0;
  };
  const low = at - (middle - 46) / perMm;
  const high = at + (height - middle) / perMm;
  const words = text(shown(at, division.unit, false, division.denominator));
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${width.toString()} ${height.toString()}`}
      width={width}
      height={height}
      role="slider"
      tabIndex={0}
      aria-label={`Tape from ${hook} to ${datum}`}
      aria-orientation="vertical"
      aria-valuemin={0}
      aria-valuemax={3000}
      aria-valuenow={Math.round(at)}
      aria-valuetext={mm === null ? "nothing read yet" : words}
      style={{
        touchAction: "none",
        cursor: "grab",
        display: "block",
        maxWidth: "100%",
      }}
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture(e.pointerId);
        drag.current = { y: scaled(e.clientY), from: at, moved: false };
      }}
      onPointerMove={(e) => {
        const d = drag.current;
        if (!d) {
          return;
        }
        const way = scaled(e.clientY) - d.y;
        d.moved = d.moved || Math.abs(way) > 5;
        if (d.moved) {
          onChange(snap(d.from - way / perMm, division));
        }
      }}
      onPointerUp={(e) => {
        const d = drag.current;
        drag.current = null;
        if (d && !d.moved) {
          onChange(snap(at + (scaled(e.clientY) - middle) / perMm, division));
        }
      }}
      onPointerCancel={() => {
        drag.current = null;
      }}
      onKeyDown={(e) => {
        const big = division.unit === "in" ? division.denominator : 10;
        const by = {
          ArrowUp: 1,
          ArrowRight: 1,
          ArrowDown: -1,
          ArrowLeft: -1,
        }[e.key];
        if (by !== undefined && !e.altKey && !e.ctrlKey && !e.metaKey) {
          e.preventDefault();
          move.current(by * (e.shiftKey ? big : 1));
        }
      }}
    >
      <defs>
        <clipPath id="tape-window">
          <rect x={0} y={40} width={width} height={height - 40} />
        </clipPath>
      </defs>
      <g clipPath="url(#tape-window)">
        <rect
          x={edge}
          y={0}
          width={84}
          height={height}
          fill={inks.tag}
          stroke={inks.now}
        />
        {ticks(low, high, division).map((t) => {
          const y = middle + (t.mm - at) * perMm;
          const length = [46, 32, 24, 16, 11, 8][t.rank] ?? 8;
          return (
            <g key={t.mm}>
              <line
                x1={edge}
                x2={edge + length}
                y1={y}
                y2={y}
                stroke={inks.now}
                strokeWidth={t.rank === 0 ? 2 : 1}
              />
              {t.label !== null && (
                <text
                  x={edge + 80}
                  y={y + 6}
                  textAnchor="end"
                  fontSize={t.label.length > 2 ? 15 : 20}
                  fontWeight={700}
                  fill={inks.now}
                >
                  {t.label}
                </text>
              )}
            </g>
          );
        })}
      </g>
      {/* the hook over the lip, and a break: the tape between is not drawn */}
      <path
        d={`M ${edge.toString()} 40 V 16 H ${(edge - 26).toString()} v 12`}
        fill="none"
        stroke={inks.now}
        strokeWidth={5}
      />
      <path
        d={`M ${(edge - 40).toString()} 33 q 20 -10 34 0`}
        fill="none"
        stroke={inks.soft}
        strokeWidth={4}
      />
      <path
        d={`M ${(edge - 3).toString()} 46 l 22 -8 l 22 8 l 22 -8 l 22 8`}
        fill="none"
        stroke={inks.paper}
        strokeWidth={7}
      />
      <text x={edge + 8} y={24} fontSize={14} fill={inks.now}>
        {hook}
      </text>
      <path
        d={`M 4 ${(middle - 11).toString()} L ${(edge - 4).toString()} ${middle.toString()} L 4 ${(middle + 11).toString()} Z`}
        fill={mm === null ? "none" : inks.marker}
        stroke={inks.marker}
        strokeWidth={2}
      />
      <line
        x1={edge - 4}
        x2={edge + 84}
        y1={middle}
        y2={middle}
        stroke={inks.marker}
        strokeWidth={2}
      />
      <text
        x={4}
        y={middle + 30}
        fontSize={14}
        fontWeight={700}
        fill={inks.marker}
      >
        {datum}
      </text>
    </svg>
  );
}
