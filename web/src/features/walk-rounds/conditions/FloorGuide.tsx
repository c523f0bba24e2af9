import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useInks } from "../../../shared/theme";

/** How to find the height of each wheel's pad with a hose or a laser. */
export function FloorGuide() {
  const inks = useInks();
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 2, mb: 1.25 }}>
      <svg
        viewBox="0 0 230 110"
        width={230}
        height={110}
        role="img"
        aria-label="Four sticks on the wheel pads, one level line across them"
      >
        <path
          d="M 6 98 L 60 95 L 118 99 L 172 93 L 224 97"
          fill="none"
          stroke={inks.now}
          strokeWidth={3}
        />
        <line
          x1={6}
          x2={224}
          y1={34}
          y2={34}
          stroke={inks.marker}
          strokeWidth={2}
          strokeDasharray="7 4"
        />
        {[
          [36, 96.3],
          [92, 97.2],
          [146, 96],
          [200, 95.2],
        ].map(([x = 0, y = 0]) => (
          <g key={x}>
            <line
              x1={x}
              x2={x}
              y1={22}
              y2={y}
              stroke={inks.now}
              strokeWidth={5}
            />
            <path
              d={`M ${(x + 8).toString()} 36 V ${(y - 2).toString()}`}
              stroke={inks.again}
              strokeWidth={2}
            />
          </g>
        ))}
        <text x={8} y={18} fontSize={13} fill={inks.marker}>
          one level line
        </text>
      </svg>
      <Typography
        component="ol"
        sx={{ m: 0, pl: 2.5, flex: "1 1 280px", fontSize: "0.95rem" }}
      >
        <li>
          Stand a stick on the spot of each wheel, the vehicle away or beside
          the tyre.
        </li>
        <li>
          Hose level: fill a clear hose, no bubbles, hold both ends at two
          sticks and mark the water. Laser: let it turn once and mark the line.
        </li>
        <li>
          Measure each mark down to the floor. A longer stick means a lower pad:
          write the pad as zero for the longest, and how much shorter each other
          one is.
        </li>
        <li>
          Below zero is allowed. A floor that only slopes does no harm; a
          twisted one is taken out of every reading.
        </li>
      </Typography>
    </Box>
  );
}
