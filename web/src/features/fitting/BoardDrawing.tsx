import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useJob } from "../../api/job";

const corners = [
  { corner: "LF", x: 60, y: 14 },
  { corner: "RF", x: 60, y: 74 },
  { corner: "LR", x: 210, y: 14 },
  { corner: "RR", x: 210, y: 74 },
] as const;

/** The vehicle from above: which wheels are on, what stands under it, and what holds each heavy member that hangs on less than it used to. */
export function BoardDrawing() {
  const view = useJob();
  const d = view.document;
  const loose = new Set(view.fitting.loose);
  const said = d.supports.toSorted((a, b) => a.at.localeCompare(b.at));
  const at = (end: "front" | "rear") =>
    said.findLast((s) => s.where === "all" || s.where === end);
  const hangs = (end: "front" | "rear") => at(end)?.position === "hanging";
  const words = (["front", "rear"] as const).map((end) =>
    hangs(end)
      ? `▲ ${end} hangs on ${at(end)?.on ?? ""}`
      : `● ${end} on its wheels`,
  );
  const one =
    hangs("front") === hangs("rear") && at("front")?.on === at("rear")?.on;
  const jacks = view.fitting.board.filter((l) =>
    l.carries.some((c) => c.startsWith("a jack")),
  );
  return (
    <Box
      role="status"
      sx={{
        border: 2,
        borderColor: "text.primary",
        px: 1.5,
        py: 0.75,
        mb: 1.5,
        display: "grid",
        gridTemplateColumns: "minmax(110px, 170px) minmax(0,1fr)",
        gap: 1.5,
        alignItems: "center",
      }}
    >
      <Box
        component="svg"
        viewBox="0 0 300 112"
        aria-hidden
        sx={{
          width: "100%",
          color: "text.primary",
          "& .line": { stroke: "currentColor", strokeWidth: 2.5, fill: "none" },
          "& .on": { fill: "currentColor" },
          "& .off": {
            stroke: "currentColor",
            strokeWidth: 1.5,
            strokeDasharray: "4 3",
            fill: "none",
          },
          "& .stand": { fill: (t) => (t.vars ?? t).palette.warning.main },
          "& .jack": { fill: (t) => (t.vars ?? t).palette.error.main },
        }}
      >
        <path
          className="line"
          d="M14 56 Q14 34 40 32 H262 Q286 34 286 56 Q286 78 262 80 H40 Q14 78 14 56 Z M96 36 q-14 20 0 40"
        />
        {corners.map(({ corner, x, y }) => {
          const off = loose.has(`${corner} wheel to hub`);
          const end = corner.endsWith("F") ? "front" : "rear";
          return (
            <g key={corner}>
              <rect
                className={off ? "off" : "on"}
                x={x - 20}
                y={y}
                width={42}
                height={18}
                rx={4}
              />
              {hangs(end) && (
                <rect
                  className="stand"
                  x={x + (end === "front" ? 30 : -40)}
                  y={y < 50 ? 34 : 68}
                  width={12}
                  height={10}
                />
              )}
              {jacks.some((l) => l.where === corner || l.where === end) && (
                <path
                  className="jack"
                  d={`M${(x - 8).toString()} ${(y < 50 ? 50 : 74).toString()} l9 -14 l9 14 z`}
                />
              )}
            </g>
          );
        })}
      </Box>
      <Box>
        <Typography sx={{ fontWeight: 700 }}>
          {one
            ? hangs("front")
              ? `▲ Hanging. Held up by: ${at("front")?.on ?? ""}.`
              : "● On its wheels."
            : `${words.join("; ")}.`}
        </Typography>
        {view.fitting.board.length > 0 && (
          <Box component="ul" sx={{ m: 0, pl: 2.25, fontSize: "0.92rem" }}>
            {view.fitting.board.map((l) => (
              <li key={l.member}>
                {l.member}: {l.carries[0] ?? "—"}
                {l.carries.length > 1 &&
                  ` and ${(l.carries.length - 1).toString()} more`}
                {l.y.length > 0 &&
                  l.y[0] !== l.carries[0] &&
                  `; sideways ${l.y[0] ?? ""}`}
              </li>
            ))}
          </Box>
        )}
      </Box>
    </Box>
  );
}
