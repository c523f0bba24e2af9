import Box from "@mui/material/Box";
import Slider from "@mui/material/Slider";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { currentStage } from "../../api/document";
import { useJob } from "../../api/job";
import { ResultLength, useUnit } from "../../shared/Length";
import { weightText } from "../../shared/quantity";
import { useInks } from "../../shared/theme";
import { numberSays } from "../bench/bench";
import { geometryDrawings } from "../bench/GeometryDrawing";
import type { usePlans } from "../plans/usePlans";
import { shapeOf } from "../stance/vehicle";
import {
  standing,
  titleOf,
  upSays,
  type Mechanism,
  type Way,
} from "./geometry";
import { ContactMatrix } from "./ContactMatrix";
import { LockDrawing } from "./LockDrawing";
import { chip } from "./MechanismLine";
import { MechanismDrawing, useWayLine } from "./MechanismDrawing";
import { OwnLimit } from "./OwnLimit";
import { PutIntoPlan } from "./PutIntoPlan";
import { ScalesDrawing } from "./ScalesDrawing";
import { SlopeDrawing } from "./SlopeDrawing";
import { SpaceForm } from "./SpaceForm";
import { TapeThese } from "./TapeThese";
import { TravelCurve } from "./TravelCurve";

/** One mechanism: its sentence, its drawing and curve through the travel, its ways with their numbers, what to tape and to check. */
export function MechanismPanel({
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
  // Only what hangs on the bar's end is seen from its side; what is seen from the vehicle's side stays as it is.
  const mirrored =
    (mechanism.kind === "trackBar" || mechanism.kind === "steering") &&
    axle !== null &&
    currentStage(d)[axle].barBodyEnd === "left";
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
      {mechanism.kind === "cornerScales" && mechanism.ways[0] && (
        <ScalesDrawing
          vehicle={d.vehicle}
          before={mechanism.ways[0]}
          chosen={chosen}
        />
      )}
      {mechanism.kind === "sideSlope" && mechanism.ways[0] && (
        <SlopeDrawing
          vehicle={d.vehicle}
          before={mechanism.ways[0]}
          chosen={chosen}
        />
      )}
      {mechanism.ways[0]?.lock && chosen.lock && (
        <LockDrawing before={mechanism.ways[0].lock} chosen={chosen.lock} />
      )}
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
              sx={{ ...chip(w === chosen), gap: 1 }}
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
                  <ResultLength
                    result={n.result}
                    signed={!["sideSlope", "contacts"].includes(mechanism.kind)}
                  />
                ) : n.result.unit === "kg" && n.result.value !== null ? (
                  `${weightText(n.result.value, unit)} ± ${weightText(2 * (n.result.u ?? 0), unit)}`
                ) : (
                  numberSays(n.result)
                )}
              </Box>
            </Box>
          ))}
      </Box>
      {chosen.contacts.length > 0 && (
        <ContactMatrix before={mechanism.ways[0]} chosen={chosen} />
      )}
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
        <PutIntoPlan way={chosen} kind={chosen.part} axle={axle} at={at} />
      )}
      {axle && <TapeThese mechanism={mechanism} axle={axle} />}
      <OwnLimit mechanism={mechanism} />
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
