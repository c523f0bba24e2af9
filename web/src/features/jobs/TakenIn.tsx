import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { bookedText } from "../../shared/time";
import { useState } from "react";
import { Link } from "react-router";
import { Press } from "../../shared/Press";
import { useJob, useSeenVersion, useSend } from "../../api/job";
import type { JobView, Schemas } from "../../api/client";
import { begunPlan, firstStage, currentStage } from "../../api/document";
import { useUnit } from "../../shared/Length";
import { inMm, showText } from "../../shared/length";
import { BothWays } from "../../shared/BothWays";
import { asError } from "../../shared/ProblemNote";
import { knownWords, retyped, retypedWithUnit } from "../../shared/quantity";
import { liveAxles } from "../../shared/suspensions";
import { useSuspensionKinds } from "../../shared/useKinds";
import { variantText } from "../../shared/variant";
import { RoadTest } from "../hand-over/RoadTest";
import { CorrectTakenIn } from "./CorrectTakenIn";
import { cameIn } from "./correction";
import { EraseOwner } from "./EraseOwner";
import { ThrowAway } from "./JobBin";
import { History } from "./History";
import { Photographs } from "./Photographs";
import { noSizes, sizesBody, sizesLines, type SizesText } from "./sizes";
import { SizesDrawing } from "./SizesDrawing";
import {
  targetBody,
  TargetFields,
  targetLines,
  type TargetText,
} from "./TargetFields";

function sizesOf(v: Schemas["Vehicle"]): SizesText {
  const d = v.dimensions;
  const sizes = { ...noSizes };
  for (const key of Object.keys(d) as (keyof typeof d)[]) {
    const q = d[key];
    // A share has no unit; what has one keeps it, whatever the person reads in today.
    sizes[key] = q?.unit === "1" ? retyped(q) : retypedWithUnit(q ?? null);
  }
  sizes.tyreSize = v.tyreKnown === "estimated" ? "" : (v.tyreSize ?? "");
  return sizes;
}

function targetOf(t: Schemas["Target"]): TargetText {
  const length = (q: Schemas["Quantity"] | null) =>
    q === null ? "" : `${q.value.toString()} ${q.unit}`;
  return {
    wish: t.rake === null ? "lift" : t.rake.value === 0 ? "level" : "rake",
    rake: t.rake === null || t.rake.value === 0 ? "" : length(t.rake),
    frontLift: length(t.leastFrontLift),
    rearLift: length(t.leastRearLift),
    frontMost: length(t.mostFrontLift),
    rearMost: length(t.mostRearLift),
    noLean: t.noLean,
    evenDiagonals: t.evenDiagonals ?? false,
    loaded: t.loaded,
    tolerance: t.tolerance.known === "estimated" ? "" : length(t.tolerance),
    datum: t.datum,
  };
}

/** What was taken in; sizes and target can be changed at any time, a frozen prediction keeps what it was made with. */
export default function TakenIn() {
  const view = useJob();
  const d = view.document;
  const send = useSend();
  const unit = useUnit();
  const kinds = useSuspensionKinds();
  const [sizes, setSizes] = useState(() => sizesOf(d.vehicle));
  const [target, setTarget] = useState(() => targetOf(d.job.target));
  const [problem, setProblem] = useState<{
    of: "vehicle" | "target";
    why: Error;
  } | null>(null);
  const [correcting, setCorrecting] = useState(false);

  const vehicle = useSeenVersion(d.vehicle.id);
  const job = useSeenVersion(d.job.id);

  const save = async (what: "vehicle" | "target", over?: JobView) => {
    setProblem(null);
    try {
      const outcome = await (what === "vehicle"
        ? send(
            {
              kind: "setSizes",
              version: over
                ? (over.versions[d.vehicle.id] ?? 0)
                : vehicle.version,
              sizes: sizesBody(sizes, unit),
            },
            "the vehicle's sizes",
          )
        : send(
            {
              kind: "setTarget",
              version: over ? (over.versions[d.job.id] ?? 0) : job.version,
              target: targetBody(target, unit),
              wish: d.job.wish,
              promisedOn: d.job.promisedOn,
            },
            "the target",
          ));
      (what === "vehicle" ? vehicle : job).saved(outcome);
    } catch (e) {
      setProblem({ of: what, why: asError(e) });
    }
  };

  const why = (of: "vehicle" | "target") =>
    problem?.of === of ? problem.why : null;

  const facts: [string, string | null][] = [
    ["Owner", [d.owner.name, d.owner.contact].filter(Boolean).join(", ")],
    ["Vehicle", `${d.vehicle.make} ${d.vehicle.name}, ${d.platform.name}`],
    ["Plate", d.vehicle.plate],
    ["VIN", d.vehicle.vin],
    [
      "Variant",
      Object.values(variantText(d.vehicle)).filter(Boolean).join(", "),
    ],
    [
      "Odometer",
      d.job.odometerIn &&
        `${d.job.odometerIn.value.toString()} ${d.job.odometerIn.unit}`,
    ],
    ["Owner's words", d.job.wish],
    ["Carries and tows", d.job.carries],
    ["Known troubles", d.job.troubles],
    ["Promised", d.job.promisedOn],
    ["Booked", d.bookings[0] ? bookedText(d.bookings[0], d.people) : null],
  ];
  const found = cameIn(view) ?? firstStage(d);

  return (
    <Box sx={{ maxWidth: 1080 }}>
      {correcting ? (
        <CorrectTakenIn
          onDone={() => {
            setCorrecting(false);
          }}
        />
      ) : (
        <>
          <Box
            component="dl"
            sx={{
              display: "grid",
              gridTemplateColumns: "repeat(auto-fill, minmax(220px, 1fr))",
              gap: 1,
              m: 0,
            }}
          >
            {facts
              .filter(([, value]) => value)
              .map(([name, value]) => (
                <Box key={name}>
                  <Box
                    component="dt"
                    sx={{ color: "text.secondary", fontSize: "0.85rem" }}
                  >
                    {name}
                  </Box>
                  <Box component="dd" sx={{ m: 0, fontWeight: 600 }}>
                    {value}
                  </Box>
                </Box>
              ))}
          </Box>
          <Button
            sx={{ mt: 1 }}
            onClick={() => {
              setCorrecting(true);
            }}
          >
            Correct what was taken in
          </Button>
          <Button
            component={Link}
            to={`/vehicles/${d.vehicle.id}`}
            sx={{ mt: 1 }}
          >
            Over the years
          </Button>
        </>
      )}
      <Typography variant="h2" sx={{ mt: 2.5 }}>
        As found
      </Typography>
      {found.stacks.length > 0 ? (
        <ul>
          {found.stacks.flatMap((s) =>
            s.parts.map((p) => (
              <li key={p.id}>
                {s.corner}: {p.name}
                {p.thickness
                  ? `, ${showText(inMm(p.thickness), unit)} thick (${knownWords[p.thickness.known]})`
                  : ", thickness unknown"}
                {p.claim && `, said to lift ${showText(inMm(p.claim), unit)}`}
              </li>
            )),
          )}
        </ul>
      ) : (
        <Typography>Nothing added at any corner.</Typography>
      )}
      {!begunPlan(d) && (
        <Box component="details" sx={{ mt: 2.5 }}>
          <Typography variant="h2" component="summary" sx={{ py: 1.5 }}>
            Road test before the work
            {d.roadTests.length > 0 && ", noted"}
          </Typography>
          <RoadTest after={false} />
        </Box>
      )}
      <Photographs />
      <History />
      <Typography variant="h2" sx={{ mt: 2.5, mb: 1.5 }}>
        How it should sit
      </Typography>
      <TargetFields
        target={target}
        onChange={setTarget}
        problem={why("target")}
      />
      <Press variant="outlined" sx={{ mt: 1.5 }} act={() => save("target")}>
        Keep this target
      </Press>
      <BothWays
        problem={why("target")}
        mine={targetLines(target)}
        theirs={(fresh) => targetLines(targetOf(fresh.document.job.target))}
        onTheirs={(fresh) => {
          setTarget(targetOf(fresh.document.job.target));
          job.see(fresh);
          setProblem(null);
        }}
        onMine={(fresh) => save("target", fresh)}
      />
      <Typography variant="h2" sx={{ mt: 2.5 }}>
        Its suspension
      </Typography>
      <Typography sx={{ my: 0.5 }}>
        Front: {view.axles[0]?.said}. Rear: {view.axles[1]?.said}.{" "}
        {d.job.loads.length > 0 &&
          `Loads stated: ${d.job.loads.map((l) => l.name).join(", ")}.`}
      </Typography>
      <Button component={Link} to="../vehicle" variant="outlined">
        Suspension, travel and loads
      </Button>
      <Typography variant="h2" sx={{ mt: 2.5, mb: 1.5 }}>
        Its sizes
      </Typography>
      <SizesDrawing
        sizes={sizes}
        kind={d.vehicle.kind}
        live={liveAxles(
          kinds,
          currentStage(d).front.kind,
          currentStage(d).rear.kind,
        )}
        onChange={setSizes}
        problem={why("vehicle")}
      />
      <Press variant="outlined" sx={{ mt: 1.5 }} act={() => save("vehicle")}>
        Keep these sizes
      </Press>
      <BothWays
        problem={why("vehicle")}
        mine={sizesLines(sizes)}
        theirs={(fresh) => sizesLines(sizesOf(fresh.document.vehicle))}
        onTheirs={(fresh) => {
          setSizes(sizesOf(fresh.document.vehicle));
          vehicle.see(fresh);
          setProblem(null);
        }}
        onMine={(fresh) => save("vehicle", fresh)}
      />
      <ThrowAway />
      <EraseOwner />
    </Box>
  );
}
