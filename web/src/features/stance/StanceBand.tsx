import Box from "@mui/material/Box";
import type { Theme } from "@mui/material/styles";
import Typography from "@mui/material/Typography";
import useMediaQuery from "@mui/material/useMediaQuery";
import {
  begunPlan,
  currentStage,
  draftPlan,
  firstStage,
  heightAt,
  speaks,
} from "../../api/document";
import { useJob } from "../../api/job";
import type { Schemas } from "../../api/client";
import { Length, PlusMinus } from "../../shared/Length";
import { RakeWedge } from "./RakeWedge";
import { extent, SideDrawing } from "./SideDrawing";
import { useWidth } from "./useWidth";
import { lineOf, plannedLine, shapeOf } from "./vehicle";
import { useInks } from "../../shared/theme";

const inTheHand = (theme: Theme) => theme.breakpoints.down("sm");

/** Where the tags hang below the drawing. */
const narrow = (theme: Theme) => theme.breakpoints.down("md");

/**
 * The vehicle from the side, to scale, with what hangs at its lips: before dotted, planned dashed, now solid.
 * A preview replaces the plan while something is being tried.
 */
export function StanceBand({
  preview,
  hidden,
  nowOnly,
}: {
  preview: Schemas["Prediction"] | null;
  /** A station whose number is not shown while it is typed anew. */
  hidden: string | null;
  /** Whether before and planned stay hidden, as they do while somebody measures. */
  nowOnly: boolean;
}) {
  const view = useJob();
  const d = view.document;
  const [ref, width] = useWidth();
  const inks = useInks();

  const shape = shapeOf(d.vehicle);
  const stage = currentStage(d);
  const now = speaks(view, stage.id);
  const first = speaks(view, firstStage(d).id);
  const draft = draftPlan(d);
  const begun = begunPlan(d);
  const prediction = nowOnly
    ? null
    : (preview ??
      view.results.predictions.find((p) => p.planId === draft?.id) ??
      d.frozenPredictions.find((f) => f.planId === begun?.id)?.prediction);
  const before = lineOf(first, shape);
  const present = lineOf(now, shape);
  const plan = plannedLine(prediction, shape);
  const body = present ??
    plan ??
    before ?? {
      front: shape.loaded + 520,
      rear: shape.loaded + 560,
    };

  const box = extent(shape);
  // On a phone the band leaves the hand its room: whoever measures there has the vehicle before them.
  const phone = useMediaQuery(inTheHand);
  const small = phone && nowOnly;
  const height = phone ? 96 : 160;
  const ground = height - 8;
  const scale = Math.min(
    (width - 16) / (box.right - box.left),
    (ground - 4) / box.height,
  );
  const x0 = width / 2 - ((box.left + box.right) / 2) * scale;
  const rearX = x0 + shape.wheelbase * scale;
  // The strings run out past the bumpers: to the tags beside the drawing, or down to those below it.
  const down = useMediaQuery(narrow);
  const tagX = Math.min(60, width / 12);
  const string = (side: "left" | "right") => {
    const edge = side === "left" ? 0 : width;
    const tag = side === "left" ? tagX : width - tagX;
    return `H ${(down ? tag : edge).toFixed(1)}${down ? ` V ${height.toString()}` : ""}`;
  };

  return (
    <Box
      component="section"
      aria-label="Stance"
      sx={{
        borderBottom: 1,
        borderColor: "divider",
        px: { xs: 1, sm: 2 },
        py: 0.5,
        display: "grid",
        alignItems: "center",
        columnGap: { xs: 0.5, md: 0 },
        gridTemplateColumns: {
          xs: "auto minmax(60px, 1fr) auto",
          md: "auto minmax(0, 1fr) auto",
          lg: "auto minmax(0, 1fr) auto 340px",
        },
        gridTemplateAreas: {
          xs: `"draw draw draw" "front rake rear" "says says says"`,
          md: `"front draw rear" "says says rake"`,
          lg: `"front draw rear says" "front draw rear rake"`,
        },
        gridTemplateRows: { lg: "1fr auto" },
      }}
    >
      <Box sx={{ gridArea: "draw", minWidth: 0 }} ref={ref}>
        {width > 0 && (
          <svg
            width={width}
            height={height}
            role="img"
            aria-label={`${d.vehicle.make} ${d.vehicle.name} from the left, to scale`}
            style={{ display: small ? "none" : "block" }}
          >
            <line
              x1={0}
              x2={width}
              y1={ground}
              y2={ground}
              stroke={inks.now}
              strokeWidth={1.5}
            />
            <SideDrawing
              shape={shape}
              body={body}
              scale={scale}
              x0={x0}
              ground={ground}
            />
            {(
              [
                [x0, body.front, "left"],
                [rearX, body.rear, "right"],
              ] as const
            ).map(([x, lip, side]) => (
              <g key={side}>
                <circle
                  cx={x}
                  cy={ground - lip * scale}
                  r={4}
                  fill={inks.marker}
                />
                <path
                  d={`M ${x.toFixed(1)} ${(ground - lip * scale).toFixed(1)} ${string(side)}`}
                  fill="none"
                  stroke={inks.marker}
                  strokeWidth={1.5}
                />
              </g>
            ))}
          </svg>
        )}
      </Box>
      <Tag
        area="front"
        corners={["LF", "RF"]}
        stance={now}
        plan={prediction}
        hidden={hidden}
      />
      <Box sx={{ gridArea: "rake", minWidth: 0, pl: { md: 3 } }}>
        <RakeWedge before={nowOnly ? null : before} plan={plan} now={present} />
      </Box>
      <Tag
        area="rear"
        corners={["LR", "RR"]}
        stance={now}
        plan={prediction}
        hidden={hidden}
      />
      <Box sx={{ gridArea: "says", mt: { xs: 0.5, md: 0 }, pl: { lg: 3 } }}>
        <Typography
          color="text.secondary"
          noWrap={phone}
          sx={{ fontSize: "0.9rem" }}
        >
          {d.vehicle.make} {d.vehicle.name} · {d.vehicle.plate ?? d.vehicle.vin}{" "}
          · {d.owner.name} · {stage.name}
        </Typography>
        <Typography
          sx={{
            fontSize: { xs: "1rem", sm: "1.08rem" },
            lineHeight: 1.35,
            fontWeight: 650,
            // The station that is asked for says it.
            display:
              small && view.progress.next === "walkRound" ? "none" : "block",
          }}
          role="status"
        >
          {view.progress.says}
        </Typography>
      </Box>
    </Box>
  );
}

/** A paper tag with the heights of one axle, left above right. */
function Tag({
  area,
  corners,
  stance,
  plan,
  hidden,
}: {
  area: "front" | "rear";
  corners: string[];
  hidden: string | null;
  stance: Schemas["WalkRoundStance"] | undefined;
  plan: Schemas["Prediction"] | null | undefined;
}) {
  return (
    <Box
      sx={{
        gridArea: area,
        bgcolor: "background.paper",
        border: 1,
        borderColor: "text.primary",
        borderTop: 3,
        borderTopColor: "primary.main",
        px: { xs: 0.75, sm: 1.25 },
        py: 0.25,
      }}
    >
      {corners.map((corner) => {
        const height = heightAt(stance, corner)?.height;
        const planned = plan?.stations.find(
          (s) => s.station === corner,
        )?.height;
        return (
          <Box
            key={corner}
            sx={{
              display: "flex",
              alignItems: "baseline",
              gap: 0.75,
              lineHeight: 1.35,
            }}
          >
            <Box component="span" sx={{ fontSize: "0.75rem", width: "1.6em" }}>
              {corner}
            </Box>
            <Box
              component="span"
              sx={{
                fontSize: { xs: "1.15rem", sm: "1.5rem" },
                fontWeight: 700,
              }}
            >
              {height?.value != null && corner !== hidden ? (
                <Length mm={height.value} />
              ) : (
                "—"
              )}
            </Box>
            <Box
              component="span"
              sx={{
                fontSize: "1rem",
                display: { xs: "none", sm: "inline" },
              }}
            >
              {height?.u != null && <PlusMinus u={height.u} />}
            </Box>
            {planned?.value != null && planned.value !== height?.value && (
              <Box
                component="span"
                sx={{
                  fontSize: "1rem",
                  color: "secondary.main",
                  borderBottom: "2px dashed",
                  display: { xs: "none", sm: "inline" },
                }}
              >
                plan <Length mm={planned.value} unit={false} />
              </Box>
            )}
          </Box>
        );
      })}
    </Box>
  );
}
