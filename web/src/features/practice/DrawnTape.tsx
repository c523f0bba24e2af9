import Box from "@mui/material/Box";
import type { Schemas } from "../../api/client";
import { useInks, type Inks } from "../../shared/theme";

const perMm = 2.9;
const edge = 46;
const wide = 92;
const width = 300;

/** A tape as an eye sees it: its lines and numbers, what it is read at, its hook, and where the eye is. No value is written anywhere. */
export function DrawnTape({ tape }: { tape: Schemas["TapeView"] }) {
  const inks = useInks();
  const half = tape.halfMm * perMm;
  const top = 46;
  const middle = top + half;
  const height = top + 2 * half;
  return (
    <Box
      component="svg"
      viewBox={`0 0 ${width.toString()} ${height.toString()}`}
      role="img"
      aria-label={`A drawn tape at the ${tape.mark}: count its lines`}
      sx={{ width, maxWidth: "100%", display: "block" }}
    >
      <rect
        x={edge}
        y={top}
        width={wide}
        height={2 * half}
        fill={inks.tag}
        stroke={inks.now}
      />
      {tape.ticks.map((t) => {
        const y = middle + t.atMm * perMm;
        const length = [50, 36, 27, 18, 11][t.rank] ?? 8;
        return (
          <line
            key={t.atMm}
            x1={edge}
            x2={edge + length}
            y1={y}
            y2={y}
            stroke={inks.now}
            strokeWidth={t.rank === 0 ? 2 : 1.2}
          />
        );
      })}
      {tape.numbers.map((n) => {
        const y = middle + n.atMm * perMm;
        return (
          Math.abs(n.atMm) < tape.halfMm - 3 && (
            <text
              key={n.text}
              x={edge + wide - 5}
              y={y + 8}
              textAnchor="end"
              fontSize={22}
              fontWeight={750}
              fill={inks.now}
            >
              {n.text}
            </text>
          )
        );
      })}
      <Hook hang={tape.hookMm} inks={inks} />
      <line
        x1={8}
        x2={edge + wide}
        y1={middle}
        y2={middle}
        stroke={inks.marker}
        strokeWidth={2.5}
      />
      <path
        d={`M 8 ${(middle - 9).toString()} L ${(edge - 8).toString()} ${middle.toString()} L 8 ${(middle + 9).toString()} Z`}
        fill={inks.marker}
      />
      <text
        x={edge + wide + 12}
        y={middle + 5}
        fontSize={14}
        fontWeight={700}
        fill={inks.marker}
      >
        {tape.mark}
      </text>
      {tape.behind && <Eye eye={tape.eye} middle={middle} inks={inks} />}
    </Box>
  );
}

/** The upper end: the edge, and the hook on it or below it on the liner. */
function Hook({ hang, inks }: { hang: number; inks: Inks }) {
  const drop = hang * 1.3;
  return (
    <g>
      <path
        d={`M 6 20 q 26 -14 46 0`}
        fill="none"
        stroke={inks.soft}
        strokeWidth={5}
      />
      {hang > 0 && (
        <path
          d={`M 16 30 q 20 ${(2 + drop / 3).toString()} 36 ${(drop - 2).toString()}`}
          fill="none"
          stroke={inks.soft}
          strokeWidth={2}
          strokeDasharray="4 3"
        />
      )}
      <path
        d={`M ${(edge + 10).toString()} 46 V ${(13 + drop).toString()} H ${(edge - 14).toString()} v 10`}
        fill="none"
        stroke={inks.now}
        strokeWidth={4.5}
      />
      <text x={edge + 20} y={20} fontSize={14} fill={inks.soft}>
        edge
      </text>
      {hang > 0 && (
        <text x={edge + 20} y={38} fontSize={14} fill={inks.soft}>
          liner
        </text>
      )}
    </g>
  );
}

/** From the side: the eye, the tape, and behind it what it is read at. */
function Eye({
  eye,
  middle,
  inks,
}: {
  eye: number;
  middle: number;
  inks: Inks;
}) {
  const [left, mark] = [edge + wide + 30, width - 12];
  const at = middle - 84;
  const rises = Math.tan((8 * eye * Math.PI) / 180) * 100 * 1.6;
  return (
    <g>
      <line
        x1={left + 66}
        x2={left + 66}
        y1={at - 46}
        y2={at + 46}
        stroke={inks.now}
        strokeWidth={4}
      />
      <circle cx={mark} cy={at} r={5} fill={inks.marker} />
      <line
        x1={left + 12}
        x2={mark}
        y1={at - rises}
        y2={at}
        stroke={inks.marker}
        strokeDasharray="5 4"
        strokeWidth={1.5}
      />
      <path
        d={`M ${left.toString()} ${(at - rises).toString()} q 8 -9 16 0 q -8 9 -16 0 Z`}
        fill={inks.tag}
        stroke={inks.now}
        strokeWidth={1.5}
      />
      <circle cx={left + 9} cy={at - rises} r={3} fill={inks.now} />
      <text x={left - 6} y={at + 64} fontSize={13} fill={inks.soft}>
        from the side
      </text>
    </g>
  );
}
