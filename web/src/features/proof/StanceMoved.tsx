import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import type { Schemas } from "../../api/client";
import { useUnit } from "../../shared/Length";
import { showText } from "../../shared/length";
import { cornerWords } from "../../shared/quantity";
import { useInks } from "../../shared/theme";
import { scaleOf, sideOf, type LipMoved, type Scale } from "./moved";

const width = 400;
const height = 190;
const [front, rear] = [84, 316];
const top = 30;
const room = 120;

/** Both sides from the left with the nose to the left: the lips before, as planned and now on one scale, and an arrow from the plan to where each came. */
export function StanceMoved({
  stations,
}: {
  stations: Schemas["StationProof"][];
}) {
  const left = sideOf(stations, "left");
  const right = sideOf(stations, "right");
  const sides = [
    { says: "Left side", lips: left },
    { says: "Right side", lips: right },
  ].flatMap((s) => (s.lips ? [{ says: s.says, lips: s.lips }] : []));
  const scale = scaleOf(
    sides.flatMap((s) => s.lips),
    room,
    4,
  );
  if (!scale) {
    return null;
  }
  return (
    <Box component="section" aria-label="How it sits" sx={{ my: 1 }}>
      <Box
        sx={{
          display: "grid",
          gap: 2,
          gridTemplateColumns: { xs: "1fr", md: "1fr 1fr" },
          maxWidth: 980,
        }}
      >
        {sides.map((s) => (
          <SideMoved key={s.says} says={s.says} lips={s.lips} scale={scale} />
        ))}
      </Box>
      <Typography color="text.secondary" sx={{ fontSize: "0.88rem" }}>
        ·· before – – planned — now. Nose to the left; heights of the lips on
        one scale, larger than the length between the axles. The arrow goes from
        the plan to where the lip came.
      </Typography>
    </Box>
  );
}

function SideMoved({
  says,
  lips: [f, r],
  scale,
}: {
  says: string;
  lips: [LipMoved, LipMoved];
  scale: Scale;
}) {
  const inks = useInks();
  const unit = useUnit();
  const y = (mm: number) => top + room - (mm - scale.low) * scale.perMm;
  const line = (a: number | null, b: number | null) =>
    a === null || b === null
      ? undefined
      : `M${front.toString()} ${y(a).toFixed(1)}L${rear.toString()} ${y(b).toFixed(1)}`;
  const said = (l: LipMoved) =>
    l.off === null ? "not read" : showText(l.off, unit, true);
  return (
    <svg
      viewBox={`0 0 ${width.toString()} ${height.toString()}`}
      width="100%"
      role="img"
      aria-label={`${says}: ${[f, r].map((l) => `${cornerWords[l.station] ?? l.station} ${said(l)} from its plan`).join(", ")}`}
    >
      <text
        x={width / 2}
        y={height - 8}
        textAnchor="middle"
        fontSize="13"
        fontWeight="700"
        fill={inks.now}
      >
        {says}
      </text>
      <path
        d={line(f.before, r.before)}
        stroke={inks.before}
        strokeWidth="2.5"
        strokeDasharray="2 4"
        fill="none"
      />
      <path
        d={line(f.planned, r.planned)}
        stroke={inks.planned}
        strokeWidth="2.5"
        strokeDasharray="9 5"
        fill="none"
      />
      <path
        d={line(f.now, r.now)}
        stroke={inks.now}
        strokeWidth="3"
        fill="none"
      />
      {[
        { lip: f, x: front, at: front - 14, anchor: "end" as const },
        { lip: r, x: rear, at: rear + 14, anchor: "start" as const },
      ].map(({ lip, x, at, anchor }) => (
        <g key={lip.station}>
          {lip.planned !== null && lip.now !== null && (
            <Arrow
              x={x}
              from={y(lip.planned)}
              to={y(lip.now)}
              ink={lip.near === false ? inks.stop : inks.now}
            />
          )}
          <text
            x={at}
            y={y(lip.now ?? lip.planned ?? scale.low) - 4}
            textAnchor={anchor}
            fontSize="15"
            fontWeight="800"
            fill={lip.near === false ? inks.stop : inks.now}
          >
            {said(lip)}
          </text>
          <text
            x={at}
            y={y(lip.now ?? lip.planned ?? scale.low) + 12}
            textAnchor={anchor}
            fontSize="12"
            fill={inks.soft}
          >
            {lip.now === null ? lip.station : showText(lip.now, unit)}
          </text>
        </g>
      ))}
      <text
        x={front}
        y={height - 8}
        textAnchor="middle"
        fontSize="12"
        fill={inks.soft}
      >
        {f.station}
      </text>
      <text
        x={rear}
        y={height - 8}
        textAnchor="middle"
        fontSize="12"
        fill={inks.soft}
      >
        {r.station}
      </text>
    </svg>
  );
}

function Arrow({
  x,
  from,
  to,
  ink,
}: {
  x: number;
  from: number;
  to: number;
  ink: string;
}) {
  const way = Math.sign(to - from);
  // What is hardly off has no room for a head.
  const head = Math.min(9, 0.6 * Math.abs(to - from));
  return (
    <>
      <path
        d={`M${x.toString()} ${from.toFixed(1)}V${to.toFixed(1)}`}
        stroke={ink}
        strokeWidth="5"
      />
      {head > 2 && (
        <path
          d={`M${x.toString()} ${(to + way * 2).toFixed(1)}l-${head.toString()} ${(-way * head).toFixed(1)}h${(2 * head).toString()}Z`}
          fill={ink}
        />
      )}
    </>
  );
}
