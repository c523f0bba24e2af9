import Box from "@mui/material/Box";
import Slider from "@mui/material/Slider";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useUnit } from "../../shared/Length";
import { showText } from "../../shared/length";
import { useInks } from "../../shared/theme";
import { useWayLine } from "./MechanismDrawing";
import { CurveDot } from "./TravelCurve";

type Lock = Schemas["TyreThroughLock"];

const [width, height] = [420, 232];
const [curveWidth, curveHeight] = [300, 222];

/** The left front tyre from above, to scale, turned by the slider: what was taped ahead, behind and inside stands where it was taped. */
export function LockDrawing({
  before,
  chosen,
}: {
  before: Lock;
  chosen: Lock;
}) {
  const inks = useInks();
  const unit = useUnit();
  const line = useWayLine();
  const [turned, setTurned] = useState(0);
  const most = chosen.degrees.at(-1) ?? 0;
  const at = Math.max(-most, Math.min(most, turned));
  const gap = chosen.gapMm[chosen.degrees.indexOf(at)] ?? 0;
  const ahead = chosen.aheadMm ?? null;
  const behind = chosen.behindMm ?? null;
  const inside = chosen.insideMm ?? null;
  const reach = Math.hypot(
    chosen.tyre.radiusMm,
    chosen.tyre.halfWidthMm + Math.abs(chosen.tyre.outMm),
  );
  const up = Math.max(ahead ?? 0, reach) + 30;
  const down = Math.max(behind ?? 0, reach) + 30;
  const across = Math.max(inside ?? 0, reach) + 30;
  const scale = Math.min(
    (width - 20) / (2 * across),
    (height - 20) / (up + down),
  );
  const x = (outward: number) => width / 2 - outward * scale;
  const y = (forward: number) => 10 + (up - forward) * scale;
  const n = (v: number) => v.toFixed(1);
  const says = turnSays(at);
  const tyre = (lock: Lock) => {
    const { radiusMm: r, halfWidthMm: w, outMm: o } = lock.tyre;
    return (
      <rect
        x={x(o + w)}
        y={y(r)}
        width={2 * w * scale}
        height={2 * r * scale}
        rx={8}
        // Outboard is on the left: its front edge goes out against the clock.
        transform={`rotate(${n(-at)} ${n(x(0))} ${n(y(0))})`}
      />
    );
  };
  const wall = (d: string, name: string, tx: number, ty: number) => (
    <g key={name}>
      <path d={d} stroke={inks.ink} strokeWidth={4} />
      <text x={tx} y={ty} fontSize={13} fill={inks.ink}>
        {name}
      </text>
    </g>
  );
  return (
    <>
      <Box
        sx={{
          display: "grid",
          gap: 1,
          mt: 0.5,
          gridTemplateColumns: {
            xs: "minmax(0,1fr)",
            sm: "minmax(0,1fr) 300px",
          },
        }}
      >
        <svg
          viewBox={`0 0 ${width.toString()} ${height.toString()}`}
          role="img"
          aria-label={`The left front tyre from above, ${says}: the least gap is ${gapSays(gap, unit)}. As it was dotted, as chosen solid.`}
          style={{ width: "100%", maxWidth: 440, display: "block" }}
        >
          {ahead !== null &&
            wall(
              `M10 ${n(y(ahead))}H${n(width - 10)}`,
              "ahead",
              14,
              y(ahead) + 16,
            )}
          {behind !== null &&
            wall(
              `M10 ${n(y(-behind))}H${n(width - 10)}`,
              "behind",
              14,
              y(-behind) - 7,
            )}
          {inside !== null &&
            wall(
              `M${n(x(-inside))} 10V${n(height - 10)}`,
              "frame",
              x(-inside) + 7,
              height / 2,
            )}
          <g fill="none" {...line("before", false)}>
            {tyre(before)}
          </g>
          <g fill="none" {...line("planned", true)}>
            {tyre(chosen)}
          </g>
          <circle cx={x(0)} cy={y(0)} r={5} fill={inks.now} />
          <text x={8} y={height - 4} fontSize={12} fill={inks.soft}>
            From above, the left wheel, to scale
          </text>
        </svg>
        <LockCurve before={before} chosen={chosen} at={at} gap={gap} />
      </Box>
      <Box sx={{ display: "flex", gap: 2, alignItems: "center", px: 1.5 }}>
        <Slider
          aria-label="Wheel through its lock"
          value={at}
          min={-most}
          max={most}
          step={1}
          marks={[{ value: 0 }]}
          onChange={(_, v) => {
            setTurned(v);
          }}
          getAriaValueText={turnSays}
          sx={{ my: 0.5, "& .MuiSlider-thumb": { width: 28, height: 28 } }}
        />
        <Typography
          sx={{ minWidth: 130, fontWeight: 600, whiteSpace: "nowrap" }}
        >
          {says}
        </Typography>
      </Box>
    </>
  );
}

/** The least gap through the lock. */
function LockCurve({
  before,
  chosen,
  at,
  gap,
}: {
  before: Lock;
  chosen: Lock;
  at: number;
  gap: number;
}) {
  const inks = useInks();
  const unit = useUnit();
  const line = useWayLine();
  const most = before.degrees.at(-1) ?? 1;
  const all = [...before.gapMm, ...chosen.gapMm, 0];
  const [least, top] = [Math.min(...all), Math.max(...all)];
  const x = (degrees: number) =>
    14 + ((degrees + most) / (2 * most)) * (curveWidth - 28);
  const y = (mm: number) =>
    24 + ((top - mm) / Math.max(top - least, 1)) * (curveHeight - 64);
  const n = (v: number) => v.toFixed(1);
  const path = (lock: Lock) =>
    `M${lock.degrees.map((d, i) => `${n(x(d))} ${n(y(lock.gapMm[i] ?? 0))}`).join("L")}`;
  return (
    <svg
      viewBox={`0 0 ${curveWidth.toString()} ${curveHeight.toString()}`}
      role="img"
      aria-label={`The least gap through the lock: ${gapSays(Math.min(...before.gapMm), unit)} as it was, ${gapSays(Math.min(...chosen.gapMm), unit)} as chosen.`}
      style={{ width: "100%", maxWidth: curveWidth }}
    >
      {least < 0 && (
        <rect
          x={14}
          y={y(0)}
          width={curveWidth - 28}
          height={y(least) - y(0)}
          fill={inks.stop}
          fillOpacity={0.13}
        />
      )}
      <path d={`M14 ${n(y(0))}H${n(curveWidth - 14)}`} stroke={inks.line} />
      <path d={path(before)} fill="none" {...line("before", false)} />
      <path
        d={path(chosen)}
        fill="none"
        {...line("planned", true)}
        strokeWidth={3.5}
      />
      <CurveDot
        x={x(at)}
        y={y(gap)}
        says={gapSays(gap, unit)}
        between={[60, curveWidth - 60]}
      />
      <text x={14} y={curveHeight - 22} fontSize={12} fill={inks.soft}>
        front edge in
      </text>
      <text
        x={curveWidth - 14}
        y={curveHeight - 22}
        fontSize={12}
        textAnchor="end"
        fill={inks.soft}
      >
        front edge out
      </text>
      <text x={14} y={curveHeight - 6} fontSize={12} fill={inks.soft}>
        least gap on its wheels, line: touches
      </text>
    </svg>
  );
}

const gapSays = (mm: number, unit: Parameters<typeof showText>[1]) =>
  mm < 0 ? `touches by ${showText(-mm, unit)}` : showText(mm, unit);

const turnSays = (degrees: number) =>
  degrees === 0
    ? "straight"
    : `${Math.abs(degrees).toString()}° front edge ${degrees > 0 ? "out" : "in"}`;
