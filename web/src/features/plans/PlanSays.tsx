import Box from "@mui/material/Box";
import FormControlLabel from "@mui/material/FormControlLabel";
import Link from "@mui/material/Link";
import Switch from "@mui/material/Switch";
import Typography from "@mui/material/Typography";
import { Fragment, useEffect } from "react";
import { Link as To } from "react-router";
import type { Schemas } from "../../api/client";
import { draftPlan } from "../../api/document";
import { useJob } from "../../api/job";
import { ResultLength } from "../../shared/Length";
import { oddsSays } from "../../shared/chance";
import { nameOf, saidOf } from "../geometry/geometry";
import { consequences, placeWords, settlesSay } from "./consequences";

/** What the plan will do, in one line that stays at the hand; with its loads where somebody asks. */
export function PlanSays({
  prediction,
  loaded,
  onBand,
}: {
  prediction: Schemas["Prediction"] | undefined;
  /** Whether it is asked how it sits with its loads. */
  loaded: boolean;
  /** Shows this in the band in place of the plan; null gives the plan back. */
  onBand: (prediction: Schemas["Prediction"] | null) => void;
}) {
  const on = loaded ? (prediction?.loaded ?? null) : null;
  // The band carries the load while the switch is on.
  useEffect(() => {
    if (prediction && on) {
      onBand({ ...prediction, stations: on.stations, rake: on.rake });
      return () => {
        onBand(null);
      };
    }
    return undefined;
    // The band's setter never changes.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [prediction, on]);
  if (!prediction) {
    return null;
  }
  if (prediction.cannot !== null) {
    return (
      <Box>
        <Refusals of={prediction} />
        <Typography>▲ {prediction.cannot}</Typography>
      </Box>
    );
  }
  return (
    <Box
      sx={{
        display: "flex",
        flexWrap: "wrap",
        alignItems: "center",
        columnGap: { xs: 1.5, sm: 3 },
      }}
    >
      <Refusals of={prediction} />
      <Figures
        facts={[
          ["Front will rise", prediction.frontRise],
          ["Rear will rise", prediction.rearRise],
          [
            on ? "Rake, loaded" : "Rake will be",
            on ? on.rake : prediction.rake,
          ],
          ...(on
            ? ([
                ["Load moves the front", on.frontRise],
                ["Load moves the rear", on.rearRise],
              ] as const)
            : []),
        ]}
        lands={prediction.landing?.value ?? null}
      />
    </Box>
  );
}

/** Asks how it will sit with its loads. */
export function LoadSwitch({
  prediction,
  loaded,
  onChange,
}: {
  prediction: Schemas["Prediction"] | undefined;
  loaded: boolean;
  onChange: (loaded: boolean) => void;
}) {
  const loads = prediction?.loaded?.loads;
  return (
    loads && (
      <FormControlLabel
        control={
          <Switch
            checked={loaded}
            onChange={(e) => {
              onChange(e.target.checked);
            }}
          />
        }
        label={`With ${loads.join(" and ")} on`}
      />
    )
  );
}

function Refusals({ of }: { of: Schemas["Prediction"] }) {
  return of.refusals.map((r) => (
    <Typography
      key={r}
      role="alert"
      sx={{ color: "error.main", fontWeight: 700, flexBasis: "100%" }}
    >
      ■ {r}
    </Typography>
  ));
}

/** Numbers with their names above them. */
function Figures({
  facts,
  lands = null,
}: {
  facts: (readonly [string, Schemas["Result"]])[];
  /** Chance to land as wanted, 0 to 1. */
  lands?: number | null;
}) {
  const figure = (name: string, said: React.ReactNode) => (
    <Box key={name}>
      <Box
        component="dt"
        sx={{ color: "text.secondary", fontSize: "0.8rem", lineHeight: 1.2 }}
      >
        {name}
      </Box>
      <Box
        component="dd"
        sx={{
          m: 0,
          fontSize: { xs: "0.95rem", sm: "1.2rem" },
          lineHeight: 1.3,
          fontWeight: 700,
          whiteSpace: "nowrap",
        }}
      >
        {said}
      </Box>
    </Box>
  );
  return (
    <Box
      component="dl"
      sx={{
        display: "flex",
        flexWrap: "wrap",
        columnGap: { xs: 1.5, sm: 3 },
        m: 0,
      }}
    >
      {facts.map(([name, result]) =>
        figure(name, <ResultLength result={result} signed />),
      )}
      {lands !== null && figure("Lands as wanted", oddsSays(lands))}
    </Box>
  );
}

/** On what a prediction rests, and what the plan needs beside it. */
export function PlanNeeds({
  prediction,
}: {
  prediction: Schemas["Prediction"] | undefined;
}) {
  const view = useJob();
  if (!prediction || prediction.cannot !== null) {
    return null;
  }
  // What moves is worked out for the plan that shall be fitted.
  const beyond =
    prediction.planId === draftPlan(view.document)?.id
      ? view.results.moved.filter((m) => m.beyond)
      : [];
  const open = prediction.companions.filter((c) => !c.placed);
  const over = prediction.lifts.filter((l) => l.overStandard.value !== null);
  return (
    <Box sx={{ mt: 1 }}>
      {over.length > 0 && (
        <Figures
          facts={over.map((l) => [
            `${l.axle === "front" ? "Front" : "Rear"}, over standard`,
            l.overStandard,
          ])}
        />
      )}
      {prediction.settles && (
        <>
          <Figures
            facts={prediction.settles.map((s) => [
              `${s.axle === "front" ? "Front" : "Rear"}, 500 miles (800 km) later`,
              s.rise,
            ])}
          />
          <Typography
            color="text.secondary"
            sx={{ mt: 0.5, fontSize: "0.92rem" }}
          >
            {prediction.settles.map(settlesSay).join(" ")}
          </Typography>
        </>
      )}
      <Typography color="text.secondary" sx={{ mt: 0.5, fontSize: "0.92rem" }}>
        {prediction.basis.join(" ")}{" "}
        <Link component={To} to="../vehicle">
          What would make it better
        </Link>
      </Typography>
      {beyond.length > 0 && (
        <Typography sx={{ mt: 1, fontWeight: 700, color: "warning.main" }}>
          ▲ Beyond its limit:{" "}
          {beyond.map((m, i) => (
            <Fragment key={nameOf(m)}>
              {i > 0 && ", "}
              <Link component={To} to={`../geometry?at=${nameOf(m)}`}>
                {saidOf(m)}
              </Link>
            </Fragment>
          ))}
          .
        </Typography>
      )}
      {open.length > 0 && (
        <Box component="section" aria-label="What it needs beside it">
          <Typography variant="h2" sx={{ mt: 1.5 }}>
            What it needs beside it
          </Typography>
          {consequences.map((word) => {
            const its = open.filter((c) => (c.word ?? "check") === word);
            return (
              its.length > 0 && (
                <Box
                  key={word}
                  sx={{
                    display: "grid",
                    gridTemplateColumns: "64px minmax(0, 1fr)",
                    mt: 0.5,
                  }}
                >
                  <Box
                    sx={{
                      fontWeight: 700,
                      color:
                        word === "must" ? "warning.main" : "text.secondary",
                    }}
                  >
                    {word}
                  </Box>
                  <Box component="ul" sx={{ my: 0, pl: 2 }}>
                    {its.map((c) => (
                      <li key={`${c.where} ${c.what}`}>
                        <b>{c.what}</b> ({placeWords[c.where] ?? c.where}):{" "}
                        {c.why}
                      </li>
                    ))}
                  </Box>
                </Box>
              )
            );
          })}
        </Box>
      )}
    </Box>
  );
}
