import Box from "@mui/material/Box";
import Link from "@mui/material/Link";
import MenuItem from "@mui/material/MenuItem";
import Slider from "@mui/material/Slider";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import visuallyHidden from "@mui/utils/visuallyHidden";
import { useState } from "react";
import { Link as To, useSearchParams } from "react-router";
import { api, must, type Schemas } from "../../api/client";
import { begunPlan, currentStage } from "../../api/document";
import { remembered, useJob } from "../../api/job";
import { ResultLength, useUnit } from "../../shared/Length";
import { ProblemNote } from "../../shared/ProblemNote";
import { useInks } from "../../shared/theme";
import { numberSays } from "../bench/bench";
import { geometryDrawings } from "../bench/GeometryDrawing";
import { usePlans } from "../plans/usePlans";
import { shapeOf } from "../stance/vehicle";
import {
  figureText,
  nameOf,
  standing,
  titleOf,
  upSays,
  type Mechanism,
  type Way,
} from "./geometry";
import { MechanismDrawing, useWayLine } from "./MechanismDrawing";
import { PutIntoPlan } from "./PutIntoPlan";
import { SideBySide } from "./SideBySide";
import { SpaceForm } from "./SpaceForm";
import { TapeThese } from "./TapeThese";
import { TravelCurve } from "./TravelCurve";

/** What the plan moves besides the height, axle by axle, and what takes it back. */
export default function GeometryView() {
  const view = useJob();
  const d = view.document;
  const job = d.job.id;
  const at = usePlans();
  const plan = at.draft ?? begunPlan(d);
  const stage = currentStage(d);
  const [query, setQuery] = useSearchParams();
  const asked = useQuery({
    queryKey: [
      "geometry",
      job,
      plan?.id,
      plan && view.versions[plan.id],
      view.versions[stage.id],
      view.versions[job],
    ],
    queryFn: () =>
      remembered(`geometry ${job} ${plan?.id ?? ""}`, async () =>
        must(
          await api.GET("/api/jobs/{job}/geometry", {
            params: { path: { job }, query: plan ? { plan: plan.id } : {} },
          }),
        ),
      ),
    placeholderData: keepPreviousData,
    retry: false,
  });
  const geometry = asked.data;
  const mechanisms = geometry?.mechanisms ?? [];
  const looked =
    mechanisms.find((m) => nameOf(m) === query.get("at")) ??
    mechanisms.find((m) => m.beyond) ??
    mechanisms[0];
  return (
    <Box>
      <Box
        sx={{
          display: "flex",
          flexWrap: "wrap",
          columnGap: 2,
          rowGap: 1,
          alignItems: "center",
          mb: 1,
        }}
      >
        <Typography variant="h1">Geometry</Typography>
        {at.plans.length > 1 && (
          <TextField
            select
            label="Plan"
            value={at.draft?.id ?? ""}
            onChange={(e) => {
              at.look(e.target.value);
            }}
            fullWidth={false}
            sx={{ minWidth: 180 }}
          >
            {at.plans.map((p) => (
              <MenuItem key={p.id} value={p.id}>
                {p.name}
              </MenuItem>
            ))}
          </TextField>
        )}
        <Typography color="text.secondary">
          {geometry && geometry.frontRise.value !== null ? (
            <>
              {plan ? `${plan.name}: the` : "As it is fitted now, the"} frame
              stands over its axles{" "}
              <ResultLength result={geometry.frontRise} signed /> in front,{" "}
              <ResultLength result={geometry.rearRise} signed /> behind, against
              nothing added.
            </>
          ) : (
            geometry?.frontRise.cannot
          )}
          {!plan && (
            <>
              {" "}
              <Link component={To} to="../plan">
                Plan first
              </Link>
              : then it shows what the plan moves.
            </>
          )}
        </Typography>
      </Box>
      {!geometry && <ProblemNote problem={asked.error} />}
      <Box
        sx={{
          display: "grid",
          gap: 2,
          gridTemplateColumns: {
            xs: "minmax(0,1fr)",
            md: "265px minmax(0,1fr)",
          },
          alignItems: "start",
        }}
      >
        <Box
          component="nav"
          aria-label="What moves"
          sx={{
            display: "grid",
            gap: 0.75,
            gridTemplateColumns: { xs: "1fr 1fr", md: "1fr" },
          }}
        >
          {mechanisms.map((m) => (
            <MechanismLine
              key={nameOf(m)}
              mechanism={m}
              looked={m === looked}
              onLook={() => {
                setQuery({ at: nameOf(m) }, { replace: true });
              }}
            />
          ))}
        </Box>
        {looked && (
          <MechanismPanel
            key={nameOf(looked)}
            mechanism={looked}
            at={at}
            current={plan !== undefined && plan.fromStageId === stage.id}
          />
        )}
      </Box>
      <SideBySide plans={at.plans} looked={at.draft?.id} />
    </Box>
  );
}

/** One mechanism in the list: its number, and whether it is within its limit. */
function MechanismLine({
  mechanism,
  looked,
  onLook,
}: {
  mechanism: Mechanism;
  looked: boolean;
  onLook: () => void;
}) {
  const unit = useUnit();
  const figure = standing(mechanism)?.figure;
  const number =
    figure?.value == null
      ? "not told"
      : figureText(
          mechanism.kind === "trackBar" ? Math.abs(figure.value) : figure.value,
          figure.unit,
          unit,
        );
  const guessed = figure?.known === "archetype";
  return (
    <Box
      component="button"
      aria-current={looked ? "true" : undefined}
      onClick={onLook}
      sx={{
        font: "inherit",
        textAlign: "left",
        display: "flex",
        flexWrap: "wrap",
        alignItems: "center",
        justifyContent: "space-between",
        columnGap: 1,
        minHeight: 48,
        px: 1.25,
        cursor: "pointer",
        color: "text.primary",
        bgcolor: looked ? "background.paper" : "transparent",
        border: 2,
        borderColor: looked ? "primary.main" : "divider",
        borderRadius: 1,
        "&:focus-visible": { outline: 3, outlineOffset: 1 },
      }}
    >
      <Box component="span" sx={{ fontWeight: 650 }}>
        {titleOf(mechanism)}
      </Box>
      <Box
        component="span"
        sx={{
          color: mechanism.beyond ? "warning.main" : "text.secondary",
          fontWeight: mechanism.beyond ? 700 : 400,
          fontSize: "0.9rem",
        }}
      >
        {mechanism.beyond ? "▲ " : ""}
        {number}
        {guessed ? " ?" : ""}
        <span style={visuallyHidden}>
          {guessed
            ? ", not taped"
            : mechanism.beyond
              ? ", beyond its limit"
              : ""}
        </span>
      </Box>
    </Box>
  );
}

function MechanismPanel({
  mechanism,
  at,
  current,
}: {
  mechanism: Mechanism;
  at: ReturnType<typeof usePlans>;
  current: boolean;
}) {
  const d = useJob().document;
  const unit = useUnit();
  const line = useWayLine();
  const [said, setSaid] = useState<string | null>(null);
  const [up, setUp] = useState(0);
  const chosen =
    mechanism.ways.find((w) => w.said === said) ?? standing(mechanism);
  if (!chosen) {
    return null;
  }
  const axle: Schemas["Axle"] | null =
    mechanism.where === "front"
      ? "front"
      : mechanism.where === "rear"
        ? "rear"
        : null;
  const travel = chosen.travel;
  const [low, high] = [travel?.upMm[0] ?? 0, travel?.upMm.at(-1) ?? 0];
  const mirrored = axle !== null && currentStage(d)[axle].barBodyEnd === "left";
  return (
    <Box
      component="section"
      aria-label={titleOf(mechanism)}
      sx={{ minWidth: 0 }}
    >
      <Typography
        role="status"
        sx={{ fontSize: "1.15rem", fontWeight: 700, lineHeight: 1.3 }}
      >
        {mechanism.says}
      </Typography>
      {mechanism.kind === "headlights" && <Lamps way={chosen} />}
      {travel && (
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
            <MechanismDrawing
              mechanism={mechanism}
              chosen={chosen}
              up={up}
              radius={shapeOf(d.vehicle).loaded}
              mirrored={mirrored}
            />
            <TravelCurve mechanism={mechanism} chosen={chosen} up={up} />
          </Box>
          <Box sx={{ display: "flex", gap: 2, alignItems: "center", px: 1.5 }}>
            <Slider
              aria-label="Wheel through its travel"
              value={Math.max(low, Math.min(high, up))}
              min={low}
              max={high}
              step={unit === "in" ? 3.175 : 2}
              marks={[{ value: 0 }]}
              onChange={(_, v) => {
                // Ride height is met exactly.
                setUp(Math.abs(v) < 2 ? 0 : v);
              }}
              getAriaValueText={(v) => upSays(v, unit)}
              sx={{
                my: 0.5,
                "& .MuiSlider-thumb": { width: 28, height: 28 },
              }}
            />
            <Typography
              sx={{ minWidth: 130, fontWeight: 600, whiteSpace: "nowrap" }}
            >
              {upSays(up, unit)}
            </Typography>
          </Box>
        </>
      )}
      <Box
        role="group"
        aria-label="Ways in which it stands"
        sx={{ display: "flex", flexWrap: "wrap", gap: 1, mt: 0.5 }}
      >
        {mechanism.ways.map((w) => {
          const style = line(w.kind, w === chosen);
          return (
            <Box
              component="button"
              key={w.said}
              aria-pressed={w === chosen}
              onClick={() => {
                setSaid(w.said);
              }}
              sx={{
                font: "inherit",
                fontWeight: 600,
                display: "flex",
                gap: 1,
                alignItems: "center",
                textAlign: "left",
                minHeight: 48,
                px: 1.25,
                cursor: "pointer",
                color: "text.primary",
                bgcolor: w === chosen ? "background.paper" : "transparent",
                border: 2,
                borderColor: w === chosen ? "primary.main" : "divider",
                borderRadius: 1,
                "&:focus-visible": { outline: 3, outlineOffset: 1 },
              }}
            >
              <svg width={30} height={10} aria-hidden style={{ flex: "none" }}>
                <path d="M1 5H29" {...style} />
              </svg>
              {w.said}
            </Box>
          );
        })}
      </Box>
      <Box
        component="dl"
        sx={{
          display: "grid",
          gridTemplateColumns: "repeat(auto-fill, minmax(210px, 1fr))",
          columnGap: 2,
          rowGap: 0.75,
          my: 1.25,
        }}
      >
        {[{ label: mechanism.figureLabel, result: chosen.figure }]
          .concat(chosen.also)
          .map((n) => (
            <Box key={n.label}>
              <Box
                component="dt"
                sx={{ color: "text.secondary", fontSize: "0.9rem" }}
              >
                {n.label}
              </Box>
              <Box component="dd" sx={{ m: 0, fontWeight: 700 }}>
                {n.result.unit === "mm" ? (
                  <ResultLength result={n.result} signed />
                ) : (
                  numberSays(n.result)
                )}
              </Box>
            </Box>
          ))}
      </Box>
      {chosen.care && (
        <Typography
          sx={{
            color: chosen.care.heed === "stop" ? "error.main" : "warning.main",
            fontWeight: 700,
          }}
        >
          {chosen.care.heed === "stop" ? "■" : "▲"} {chosen.care.says}
        </Typography>
      )}
      {current && chosen.kind === "cure" && chosen.part && axle && (
        <PutIntoPlan kind={chosen.part} axle={axle} at={at} />
      )}
      {axle && <TapeThese mechanism={mechanism} axle={axle} />}
      {mechanism.kind === "alignment" && <SpaceForm />}
      <Box component="ul" sx={{ my: 1, pl: 2.5, color: "text.secondary" }}>
        {mechanism.checks.map((c) => (
          <li key={c}>{c}</li>
        ))}
      </Box>
    </Box>
  );
}

/** The beam on a wall, before and lifted. */
function Lamps({ way }: { way: Way }) {
  const inks = useInks();
  const value = (i: number) =>
    i === 0 ? (way.figure.value ?? 0) : (way.also[i - 1]?.result.value ?? 0);
  const drawn = geometryDrawings(inks, value).headlights?.();
  return (
    drawn && (
      <svg
        viewBox={`0 0 440 ${drawn.height.toString()}`}
        role="img"
        aria-label={drawn.says}
        style={{ width: "100%", maxWidth: 560, display: "block" }}
      >
        {drawn.art}
      </svg>
    )
  );
}
