import Box from "@mui/material/Box";
import FormControlLabel from "@mui/material/FormControlLabel";
import Link from "@mui/material/Link";
import Switch from "@mui/material/Switch";
import Typography from "@mui/material/Typography";
import { Fragment, useEffect, useState } from "react";
import { Link as To } from "react-router";
import type { Schemas } from "../../api/client";
import { draftPlan } from "../../api/document";
import { useJob } from "../../api/job";
import { ResultLength } from "../../shared/Length";
import { oddsSays } from "../../shared/chance";
import { nameOf, saidOf } from "../geometry/geometry";
import { consequences, placeWords } from "./consequences";

/** What the plan will do, with and without its loads. */
export function PlanSays({
  prediction,
  onBand,
}: {
  prediction: Schemas["Prediction"] | undefined;
  /** Shows this in the band in place of the plan; null gives the plan back. */
  onBand: (prediction: Schemas["Prediction"] | null) => void;
}) {
  const [loaded, setLoaded] = useState(false);
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
  const refusals = prediction.refusals.map((r) => (
    <Typography
      key={r}
      role="alert"
      sx={{ color: "error.main", fontWeight: 700 }}
    >
      ■ {r}
    </Typography>
  ));
  if (prediction.cannot !== null) {
    return (
      <Box sx={{ mt: 1 }}>
        {refusals}
        <Typography>▲ {prediction.cannot}</Typography>
      </Box>
    );
  }
  const facts: [string, Schemas["Result"]][] = [
    ["Front will rise", prediction.frontRise],
    ["Rear will rise", prediction.rearRise],
    [on ? "Rake, loaded" : "Rake will be", on ? on.rake : prediction.rake],
    ...prediction.lifts
      .filter((l) => l.overStandard.value !== null)
      .map((l): [string, Schemas["Result"]] => [
        `${l.axle === "front" ? "Front" : "Rear"}, over standard`,
        l.overStandard,
      ]),
    ...(on
      ? ([
          ["Load moves the front", on.frontRise],
          ["Load moves the rear", on.rearRise],
        ] as [string, Schemas["Result"]][])
      : []),
  ];
  return (
    <Box sx={{ mt: 0.5 }}>
      {refusals}
      <Box
        component="dl"
        sx={{
          display: "grid",
          gridTemplateColumns: "repeat(auto-fill, minmax(165px, 1fr))",
          gap: 1,
          m: 0,
        }}
      >
        {facts.map(([name, result]) => (
          <Box key={name}>
            <Box
              component="dt"
              sx={{ color: "text.secondary", fontSize: "0.85rem" }}
            >
              {name}
            </Box>
            <Box
              component="dd"
              sx={{ m: 0, fontSize: "1.3rem", fontWeight: 700 }}
            >
              <ResultLength result={result} signed />
            </Box>
          </Box>
        ))}
        {prediction.landing && prediction.landing.value !== null && (
          <Box>
            <Box
              component="dt"
              sx={{ color: "text.secondary", fontSize: "0.85rem" }}
            >
              Lands as wanted
            </Box>
            <Box
              component="dd"
              sx={{ m: 0, fontSize: "1.3rem", fontWeight: 700 }}
            >
              {oddsSays(prediction.landing.value)}
            </Box>
          </Box>
        )}
      </Box>
      {prediction.loaded && (
        <FormControlLabel
          control={
            <Switch
              checked={loaded}
              onChange={(e) => {
                setLoaded(e.target.checked);
              }}
            />
          }
          label={`With ${prediction.loaded.loads.join(" and ")} on`}
        />
      )}
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
  return (
    <Box sx={{ mt: 1 }}>
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
