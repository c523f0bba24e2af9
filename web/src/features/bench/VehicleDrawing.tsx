import type { useInks } from "../../shared/theme";
import type { Drawn } from "./GeometryDrawing";
import { n, pens } from "./pens";

type Inks = ReturnType<typeof useInks>;

/** Sheets of weights, slope, camber and hoses, drawn from what they answer. */
export function vehicleDrawings(
  inks: Inks,
  value: (i: number) => number,
): Record<string, () => Drawn> {
  const { part, now, before, says } = pens(inks);
  return {
    axleLoads: () => {
      const all = Math.max(1, Math.abs(value(0)) + Math.abs(value(1)));
      const column = (x: number, kg: number) => (
        <rect
          x={x - 24}
          y={150 - (Math.max(0, kg) / all) * 130}
          width={48}
          height={(Math.max(0, kg) / all) * 130}
          fill={inks.now}
          fillOpacity={0.75}
        />
      );
      return {
        height: 190,
        says: "What both axles carry with the load on, as columns over them",
        art: (
          <>
            <path d="M40 152H400" {...part} />
            {column(110, value(0))}
            {column(320, value(1))}
            {says(110, 176, "front axle")}
            {says(320, 176, "rear axle")}
          </>
        ),
      };
    },
    cornerScales: () => {
      const right = value(0);
      const pads: [number, number, number][] = [
        [130, 40, 100 - right],
        [310, 40, right],
        [130, 150, right],
        [310, 150, 100 - right],
      ];
      return {
        height: 200,
        says: "The four pads from above, front at the top; both diagonals with their share of the weight",
        art: (
          <>
            <path
              d="M310 40L130 150"
              {...now}
              strokeWidth={2 + (right / 100) * 14}
            />
            <path
              d="M130 40L310 150"
              {...before}
              strokeWidth={2 + ((100 - right) / 100) * 14}
            />
            {pads.map(([x, y], i) => (
              <rect
                key={i}
                x={x - 26}
                y={y - 20}
                width={52}
                height={40}
                fill={inks.paper}
                stroke={inks.ink}
                strokeWidth={3}
              />
            ))}
            {["LF", "RF", "LR", "RR"].map((corner, i) => (
              <g key={corner}>
                {says(pads[i]?.[0] ?? 0, (pads[i]?.[1] ?? 0) + 5, corner)}
              </g>
            ))}
            {says(372, 100, `${n(right)} of 100`)}
            {says(62, 100, `${n(100 - right)} of 100`)}
          </>
        ),
      };
    },
    sideSlope: () => {
      const [x, y, half, up] = [140, 190, 75, 100];
      return {
        height: 215,
        says: "The vehicle from behind on the slope on which it tips: its weight stands over the lower tyre",
        art: (
          <>
            <path d={`M${n(x)} ${n(y)}H420`} {...before} />
            <g transform={`rotate(${n(-value(0))} ${n(x)} ${n(y)})`}>
              <path d={`M${n(x - 50)} ${n(y)}H430`} {...part} />
              {[0, 2 * half].map((across) => (
                <rect
                  key={across}
                  x={x + across - 12}
                  y={y - 50}
                  width={24}
                  height={50}
                  rx={5}
                  {...part}
                />
              ))}
              <path
                d={`M${n(x)} ${n(y - 25)}H${n(x + 2 * half)}V${n(y - up)}H${n(x)}Z`}
                {...part}
              />
            </g>
            <path d={`M${n(x)} ${n(y)}V20`} {...now} strokeWidth={3} />
          </>
        ),
      };
    },
    hoses: () => {
      const left = Math.max(-40, Math.min(60, value(0)));
      return {
        height: 180,
        says:
          left < 0
            ? "The hose is pulled straight before the wheel hangs"
            : "The hose at full droop, with the slack that is left",
        art: (
          <>
            <path d="M40 20H160" {...part} />
            <path d="M280 130H400" {...part} />
            <path
              d={`M160 20Q${n(220 - Math.max(0, left))} ${n(75 + Math.max(0, left))} 280 130`}
              {...now}
              stroke={left < 0 ? inks.stop : inks.now}
            />
            {says(100, 14, "frame")}
            {says(340, 152, "caliper")}
          </>
        ),
      };
    },
    camber: () => {
      const lean = Math.max(-12, Math.min(12, value(0) * 4));
      return {
        height: 190,
        says: "The left wheel from behind beside the square, its lean four times as large",
        art: (
          <>
            <path d="M40 172H400" {...part} />
            <path d="M150 172V20" {...before} />
            <rect
              x={156}
              y={36}
              width={60}
              height={136}
              rx={10}
              transform={`rotate(${n(-lean)} 156 172)`}
              {...now}
            />
            {says(120, 96, "square")}
            {says(300, 96, "camber ×4")}
          </>
        ),
      };
    },
  };
}
