import Box from "@mui/material/Box";
import type { Schemas } from "../../api/client";
import { inMm, showText } from "../../shared/length";
import { useUnit } from "../../shared/Length";
import { cutText } from "./Cuts";
import { stripFor } from "./template";

const line = { stroke: "#1c1e21", strokeWidth: 0.25 };

/** Strips at their true size for what is drilled and cut, with a bar that shows whether they were printed so. */
export function Templates({ cuts }: { cuts: Schemas["Cut"][] }) {
  return (
    <>
      <p>
        Print at 100 %, not fitted to the page. Lay a rule on both bars: only if
        they are right is the rest.
      </p>
      <Box sx={{ overflowX: "auto" }}>
        <svg
          role="img"
          aria-label="Bars of 100 mm and of 4 in"
          width="112mm"
          height="16mm"
          viewBox="0 0 112 16"
        >
          {[
            { y: 3, mm: 100, said: "100 mm" },
            { y: 10, mm: 101.6, said: "4 in" },
          ].map((bar) => (
            <g key={bar.said} transform={`translate(1 ${bar.y.toString()})`}>
              <path
                d={`M0 -2V2M0 0H${bar.mm.toString()}M${bar.mm.toString()} -2V2`}
                {...line}
              />
              <text x={bar.mm / 2} y={3.6} fontSize={3} textAnchor="middle">
                {bar.said}
              </text>
            </g>
          ))}
        </svg>
      </Box>
      {cuts.map((cut) => (
        <StripOf key={cut.id} cut={cut} />
      ))}
    </>
  );
}

function StripOf({ cut }: { cut: Schemas["Cut"] }) {
  const unit = useUnit();
  const size = cut.size ? inMm(cut.size) : 0;
  const strip = stripFor(inMm(cut.distance), size);
  const high = Math.max(24, size + 14);
  const middle = high / 2;
  const first =
    strip.taped > 0
      ? `Tape ${showText(strip.taped, unit)} from ${cut.from} to this line`
      : `This line on ${cut.from}`;
  return (
    // On a phone it is wider than the page: it scrolls, its size stays true.
    <Box
      component="figure"
      sx={{ m: 0, mt: 2, breakInside: "avoid", overflowX: "auto" }}
    >
      <figcaption>
        <b>
          {cut.where}: {cutText(cut)}
        </b>
        . {first}.
      </figcaption>
      <svg
        role="img"
        aria-label={`${first}; the ${cut.size ? "hole's middle" : "cut"} ${showText(strip.run, unit)} from it`}
        width={`${(strip.length + 2).toString()}mm`}
        height={`${high.toString()}mm`}
        viewBox={`-1 0 ${(strip.length + 2).toString()} ${high.toString()}`}
      >
        <path d={`M0 0V${high.toString()}`} {...line} strokeWidth={0.5} />
        <path
          d={`M0 ${middle.toString()}H${strip.length.toString()}`}
          {...line}
          strokeDasharray="3 1"
        />
        {/* Every 10 mm from the first line, to see that the paper did not stretch. */}
        {Array.from({ length: Math.floor(strip.run / 10) }, (_, i) => (
          <path
            key={i}
            d={`M${((i + 1) * 10).toString()} ${high.toString()}v-3`}
            {...line}
          />
        ))}
        <path d={`M${strip.run.toString()} 0V${high.toString()}`} {...line} />
        {size > 0 && (
          <circle
            cx={strip.run}
            cy={middle}
            r={size / 2}
            fill="none"
            {...line}
          />
        )}
        <text x={2} y={4} fontSize={3}>
          {showText(strip.run, unit)}
        </text>
      </svg>
    </Box>
  );
}
