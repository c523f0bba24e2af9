import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import FormControlLabel from "@mui/material/FormControlLabel";
import Switch from "@mui/material/Switch";
import Typography from "@mui/material/Typography";
import type { Theme } from "@mui/material/styles";
import useMediaQuery from "@mui/material/useMediaQuery";
import { Fragment, useEffect, useRef, useState } from "react";
import { Link } from "react-router";
import { api, type Schemas } from "../../api/client";
import { begunPlan, currentStage, draftPlan } from "../../api/document";
import { useJob } from "../../api/job";
import { useUnit } from "../../shared/Length";
import { usePartKinds } from "../../shared/useKinds";
import { useParts } from "../../shared/useParts";
import { KitShelf } from "../kits/KitShelf";
import { Kits } from "../kits/Kits";
import { Conversions } from "../conversions/Conversions";
import { FindStacks } from "../finding/FindStacks";
import { PlanB } from "../finding/PlanB";
import { Wanted } from "../finding/Wanted";
import { usePreview } from "../jobs/JobLayout";
import { BesideCorners } from "./BesideCorners";
import { Cautions } from "./Cautions";
import { CornerColumn } from "./CornerColumn";
import { Misfits } from "./Misfits";
import { PlanBar } from "./PlanBar";
import { LoadSwitch, PlanNeeds } from "./PlanSays";
import { PlanTable } from "./PlanTable";
import { PlanTemplates } from "./PlanTemplates";
import { PlanTabs } from "./PlanTabs";
import { ShelfColumn } from "./ShelfColumn";
import {
  afterDrop,
  axleOf,
  meant,
  moved,
  placed,
  placesOf,
  placings,
  settingUnits,
  turned,
  without,
  type Axle,
  type Carried,
  type Side,
  type Stacks,
} from "./stacks";
import { ladderRange } from "./ladder";
import { HeldLabel } from "../../shared/HeldLabel";
import { useDrag } from "../../shared/useDrag";
import { usePlans } from "./usePlans";

/** Stacks per corner, the shelf beside them, and what it will do. */
export default function PlanView() {
  const view = useJob();
  const d = view.document;
  const unit = useUnit();
  const preview = usePreview();
  const kinds = usePartKinds();
  const stage = currentStage(d);
  const at = usePlans();
  const { plans, draft, stacks, problem } = at;
  const [axle, setAxle] = useState<Axle>("front");
  const [side, setSide] = useState<Side>("both");
  /** What was found and taken as the plan that is looked at. */
  const [tookFrom, setTookFrom] = useState<string | null>(null);
  const [loaded, setLoaded] = useState(false);
  const cornersRef = useRef<HTMLDivElement>(null);
  const single = useMediaQuery((theme: Theme) => theme.breakpoints.down("md"));
  const shelf = useParts();
  const { predictions } = view.results;
  const prediction = predictions.find((p) => p.planId === draft?.id);
  const shown = draft?.id === draftPlan(d)?.id ? null : (prediction ?? null);
  // The band shows the plan that is looked at.
  useEffect(() => {
    preview(shown);
    return () => {
      preview(null);
    };
  }, [shown, preview]);
  const band = (p: Schemas["Prediction"] | null) => {
    preview(p ?? shown);
  };

  const perAxle = (of: Schemas["PartKind"]) =>
    kinds.find((k) => k.rule.kind === of)?.rule.perAxle ?? false;
  const where = (part: Schemas["Part"]) =>
    placesOf(perAxle(part.kind), axle, side, stage[axle].barBodyEnd);

  const save = (next: Stacks) => {
    preview(shown);
    return at.keep(placings(next));
  };

  const tryOut = async (next: Stacks | null) => {
    if (!next) {
      band(null);
      return;
    }
    // Without a network there is nothing to show beforehand.
    const answer = await api
      .POST("/api/jobs/{job}/plans/preview", {
        params: { path: { job: d.job.id } },
        body: {
          fromStageId: stage.id,
          stacks: placings(next),
          planId: draft?.id ?? null,
        },
      })
      .catch(() => null);
    if (answer?.data) {
      preview(answer.data);
    }
  };

  const dropped = (it: Carried, place: string | null) =>
    afterDrop(stacks, it, place, side, perAxle);
  const { held, grip } = useDrag<Carried>({
    over: (it, place) => void tryOut(dropped(it, place)),
    drop: (it, place) => {
      const next = dropped(it, place);
      if (next) {
        void save(next);
      } else {
        band(null);
      }
    },
  });

  /** The suspension that an axle has with this plan. */
  const on = (end: Axle) =>
    draft?.conversions?.find((c) => c.axle === end)?.to ?? stage[end];
  const suspension = on(axle).kind;
  const turns = (
    ["raisedCollar", "torsionAdjuster", "steeringStops"] as const
  ).filter((of) => {
    const kind = kinds.find((k) => k.rule.kind === of);
    return (
      kind?.fits.includes(suspension) &&
      !(kind.rule.steeredOnly && axle === "rear")
    );
  });
  const range = ladderRange(prediction?.corners ?? []);
  return (
    <Box>
      <Box
        sx={{
          display: "flex",
          flexWrap: "wrap",
          columnGap: { xs: 0.5, sm: 1 },
          rowGap: 0.5,
          alignItems: "center",
        }}
      >
        <Typography variant="h1" sx={{ mr: 1 }}>
          {begunPlan(d) ? "Second pass" : "Plan"}
        </Typography>
        <PlanTabs
          plans={plans}
          selected={draft}
          onSelect={(id) => {
            setTookFrom(null);
            at.look(id);
          }}
          onAdd={() => {
            setTookFrom(null);
            void at.add();
          }}
          onRename={(name) => void at.rename(name)}
          onChoose={() => void at.choose()}
          onDrop={() => void at.drop()}
        />
        <Wanted />
      </Box>
      {begunPlan(d) ? (
        <Typography color="text.secondary">
          From {stage.name}, as it stands now. What stays in changes nothing.
        </Typography>
      ) : (
        !draft && (
          <Typography color="text.secondary">
            Choose where, then put parts in from the shelf, or drag them: the
            band above shows what each would do. Or let stacks be found.
          </Typography>
        )
      )}
      {at.waits && at.away && (
        <Typography role="status" sx={{ fontWeight: 600 }}>
          ▲ Kept here, not yet at the server: what this plan will do is computed
          when it is there.
        </Typography>
      )}
      {at.putInThere && at.away && (
        <Typography role="status" sx={{ fontWeight: 600 }}>
          ▲ {at.putInThere} is kept here: it goes into the plan when the server
          is there.
        </Typography>
      )}
      {tookFrom && draft && (
        <Typography role="status" sx={{ fontWeight: 600 }}>
          ✓ {draft.name} is {tookFrom}: it stands in the corners now.
        </Typography>
      )}
      {draft?.conversions && <Conversions key={draft.id} plan={draft} />}
      <Box
        sx={{
          display: "grid",
          columnGap: 2,
          rowGap: 3,
          mt: 0.5,
          gridTemplateColumns: {
            xs: "minmax(0,1fr)",
            md: "minmax(0,1fr) 300px",
            lg: "minmax(0,1fr) 356px",
          },
        }}
      >
        <Box>
          <Box
            ref={cornersRef}
            sx={{
              display: "grid",
              gridTemplateColumns: { xs: "1fr 1fr", sm: "repeat(4, 1fr)" },
              gap: 1,
            }}
          >
            {(["front", "rear"] as const).map((end) => (
              <Fragment key={end}>
                {meant(end, "both").map((corner) => (
                  <CornerColumn
                    key={corner}
                    corner={corner}
                    suspension={on(end).kind}
                    air={on(end).medium === "air"}
                    parts={stacks.find((s) => s.corner === corner)?.parts ?? []}
                    chosen={meant(axle, side).includes(corner)}
                    outlook={prediction?.corners.find(
                      (c) => c.corner === corner,
                    )}
                    range={range}
                    kinds={kinds}
                    grip={(piece, label) => grip({ piece }, label)}
                    onChoose={() => {
                      setAxle(axleOf(corner));
                      if (side !== "both") {
                        setSide(corner.startsWith("L") ? "left" : "right");
                      }
                    }}
                    onTakeOut={(id) =>
                      void save(without(stacks, corner, id, side))
                    }
                    onMove={(id, to) =>
                      void save(moved(stacks, corner, id, to, side))
                    }
                  />
                ))}
                <Cautions axle={end} corners={prediction?.corners ?? []} />
              </Fragment>
            ))}
          </Box>
          <FormControlLabel
            control={
              <Switch
                checked={side !== "both"}
                onChange={(e) => {
                  setSide(e.target.checked ? "left" : "both");
                }}
              />
            }
            label="One side only, on purpose"
          />
          {single && (
            <LoadSwitch
              prediction={prediction}
              loaded={loaded}
              onChange={setLoaded}
            />
          )}
          {draft && <Kits plan={draft} />}
          {!draft?.conversions && (
            <Conversions
              key={`other ${draft?.id ?? ""}`}
              plan={draft ?? undefined}
            />
          )}
          {draft && (
            <Misfits plan={draft} misfits={prediction?.misfits ?? []} />
          )}
          <PlanNeeds prediction={prediction} />
          {draft && (
            <Button
              component={Link}
              to={`../plan/shopping?plan=${draft.id}`}
              variant="outlined"
              sx={{ mt: 1 }}
            >
              What to buy
            </Button>
          )}
          {draft && (
            <Button
              component={Link}
              to="../plan/quote"
              variant="outlined"
              sx={{ mt: 1, ml: 1 }}
            >
              Offer it to the owner
            </Button>
          )}
          {draft && <PlanB key={`off ${draft.id}`} plan={draft} />}
          <PlanTemplates parts={stacks.flatMap((s) => s.parts)} kinds={kinds} />
        </Box>
        <BesideCorners
          found={
            <FindStacks
              onBand={band}
              onTake={(found, called) => {
                setTookFrom(called);
                void at.take(found.stacks).then(() => {
                  if (single) {
                    cornersRef.current?.scrollIntoView();
                  }
                });
              }}
            />
          }
        >
          <ShelfColumn
            parts={shelf.data ?? []}
            kits={
              <KitShelf
                kits={(shelf.data ?? [])
                  .map((p) => p.part)
                  .filter((p) => p.kind === "kit")}
                problem={problem}
                onPlace={(kit) => void at.putKit(kit.id)}
              />
            }
            kinds={kinds}
            suspension={suspension}
            axle={axle}
            side={side}
            turns={turns}
            grip={(part, label) => grip({ part }, label)}
            onTry={(part) =>
              void tryOut(part && placed(stacks, part, where(part)))
            }
            onPlace={(part) => void save(placed(stacks, part, where(part)))}
            onTurn={(what, by) =>
              void at.keep(
                turned(
                  stacks,
                  placesOf(
                    kinds.find((k) => k.rule.kind === what)?.rule.perAxle ??
                      false,
                    axle,
                    side,
                    stage[axle].barBodyEnd,
                  ),
                  what,
                  // Also when it is empty: the answer says what is asked.
                  {
                    typed: by,
                    unit: what === "raisedCollar" ? unit : settingUnits[what],
                    known: "measured",
                    answers: [],
                  },
                ),
              )
            }
          />
        </BesideCorners>
      </Box>
      <PlanTable
        plans={plans}
        predictions={predictions}
        selected={draft?.id}
        onSelect={at.look}
        onBand={band}
      />
      <PlanBar
        at={at}
        prediction={prediction}
        loaded={loaded}
        onLoaded={single ? null : setLoaded}
        onBand={band}
      />
      <HeldLabel held={held} />
    </Box>
  );
}
