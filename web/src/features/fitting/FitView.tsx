import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Link from "@mui/material/Link";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Link as To } from "react-router";
import type { Schemas } from "../../api/client";
import { begunPlan } from "../../api/document";
import { useJob, useSend } from "../../api/job";
import { openOf } from "../kits/kit";
import { Kits } from "../kits/Kits";
import { AddToCard } from "./AddToCard";
import { BoardDrawing } from "./BoardDrawing";
import { useEarlier } from "./earlier";
import { FastenerLedger } from "./FastenerLedger";
import { LayOut } from "./LayOut";
import { Moved } from "./Moved";
import { OffLedger } from "./OffLedger";
import { freshStep, Step, type StepDraft } from "./Step";
import { Ways } from "./Ways";

/** The job card: one step large, what holds the vehicle, the rest folded by place, the ledgers beside it. */
export default function FitView() {
  const view = useJob();
  const send = useSend();
  const d = view.document;
  const plan = begunPlan(d);
  const [chosen, setChosen] = useState<string | null>(null);
  const [drafts, setDrafts] = useState<Record<string, StepDraft>>({});
  if (!plan || view.card.steps.length === 0) {
    return (
      <Typography>
        No fitting has begun.{" "}
        <Link component={To} to={`/jobs/${d.job.id}/plan`}>
          Draw up the plan and begin it there
        </Link>
        ; the job card is made from it.
      </Typography>
    );
  }
  const done = new Set(
    d.steps.filter((s) => s.planId === plan.id).map((s) => s.step),
  );
  // Of an earlier pass only what is still left over in a box.
  const boxes = d.plans.filter(
    (p) =>
      p.id === plan.id ||
      (p.begunAt !== null &&
        d.kits.some((k) => k.planId === p.id && openOf(k, true).length > 0)),
  );
  const step =
    view.card.steps.find((s) => s.key === chosen) ??
    view.card.steps.find((s) => !done.has(s.key));
  return (
    <Box
      sx={{
        display: "grid",
        gap: 3,
        gridTemplateColumns: {
          xs: "minmax(0,1fr)",
          md: "minmax(0,1.15fr) minmax(0,1fr)",
        },
      }}
    >
      <Box>
        <Moved plan={plan.id} />
        {step ? (
          <Step
            key={step.key}
            step={step}
            plan={plan.id}
            isDone={done.has(step.key)}
            number={view.card.steps.indexOf(step) + 1}
            draft={drafts[step.key] ?? freshStep}
            send={send}
            onDraft={(draft) => {
              setDrafts((all) => ({ ...all, [step.key]: draft }));
            }}
            onRefused={(problem) => {
              // The card has walked on: what was refused comes back with what was typed.
              setDrafts((all) => ({
                ...all,
                [step.key]: { ...(all[step.key] ?? freshStep), problem },
              }));
              setChosen(step.key);
            }}
            onDone={() => {
              // Somebody who has chosen another step meanwhile stays there.
              setChosen((now) => (now === step.key ? null : now));
            }}
          />
        ) : (
          <Typography variant="h1" sx={{ my: 2 }}>
            Every step is done. Settle it and walk round.
          </Typography>
        )}
        <Rest
          done={done}
          current={step?.key ?? null}
          onChoose={(key) => {
            setChosen(key);
          }}
        />
        <Ways />
        <AddToCard step={step} />
        <Typography sx={{ mt: 2 }}>
          <Link component={To} to={`/jobs/${d.job.id}/fit/sheets`}>
            Card, torque list and the way back, to print
          </Link>
        </Typography>
      </Box>
      <Box>
        <BoardDrawing />
        <Loose />
        {/* Above the ledgers: what a box warns of is read before the work. */}
        {boxes.map((p) => (
          <Kits key={p.id} plan={p} />
        ))}
        <FastenerLedger plan={plan.id} />
        <OffLedger plan={plan.id} />
        <LayOut done={done} />
        <Deviations />
      </Box>
    </Box>
  );
}

/** The whole card, folded by place; the place of the current step is open. */
function Rest({
  done,
  current,
  onChoose,
}: {
  done: ReadonlySet<string>;
  current: string | null;
  onChoose: (key: string) => void;
}) {
  const { steps } = useJob().card;
  const { times } = useEarlier();
  const usual = new Map(times.map((t) => [t.step, t.usual]));
  const minutes = Math.round(
    steps
      .filter((s) => !done.has(s.key))
      .reduce((sum, s) => sum + (usual.get(s.key) ?? s.minutes), 0),
  );
  const runs: {
    where: string;
    from: number;
    steps: Schemas["CardStep"][];
  }[] = [];
  for (const [i, s] of steps.entries()) {
    const last = runs.at(-1);
    if (last?.where === s.where) {
      last.steps.push(s);
    } else {
      runs.push({ where: s.where, from: i + 1, steps: [s] });
    }
  }
  return (
    <Box component="section" sx={{ mt: 2 }}>
      <Typography variant="h2">
        The card: {done.size} of {steps.length} done
        {minutes > 0 && `, about ${minutes.toString()} min to go`}
        {times.length > 0 &&
          minutes > 0 &&
          ` (${times.length.toString()} steps by earlier jobs)`}
      </Typography>
      {runs.map((run) => {
        const left = run.steps.filter((s) => !done.has(s.key)).length;
        return (
          <details
            key={run.steps[0]?.key}
            open={run.steps.some((s) => s.key === current)}
          >
            <summary>
              {left === 0 ? "✓ " : ""}
              {run.where === "vehicle" ? "Vehicle" : run.where}:{" "}
              {run.steps[0]?.title}
              {run.steps.length > 1 &&
                ` … ${run.steps.at(-1)?.title ?? ""} (${run.steps.length.toString()} steps)`}
            </summary>
            <Box component="ol" start={run.from} sx={{ pl: 4, my: 0.5 }}>
              {run.steps.map((s) => (
                <Box component="li" key={s.key}>
                  <Button
                    size="small"
                    color="inherit"
                    aria-current={s.key === current ? "step" : undefined}
                    sx={{
                      justifyContent: "flex-start",
                      textAlign: "left",
                      fontWeight: s.key === current ? 800 : 450,
                    }}
                    onClick={() => {
                      onChoose(s.key);
                    }}
                  >
                    {done.has(s.key) ? "✓ " : s.hold ? "■ " : ""}
                    {s.title}
                  </Button>
                </Box>
              ))}
            </Box>
          </details>
        );
      })}
    </Box>
  );
}

/** Where was I: what is open or loosened at this moment. */
function Loose() {
  const loose = useJob().fitting.loose.filter(
    (p) => !p.endsWith("wheel to hub"),
  );
  if (loose.length === 0) {
    return null;
  }
  return (
    <Box component="section" sx={{ mb: 2 }}>
      <Typography variant="h2">Loose right now: {loose.length}</Typography>
      <Typography>{loose.join(" · ")}</Typography>
    </Box>
  );
}

function Deviations() {
  const d = useJob().document;
  if (d.deviations.length === 0) {
    return null;
  }
  return (
    <Box component="section" sx={{ mt: 3 }}>
      <Typography variant="h2">Done otherwise</Typography>
      <ul>
        {d.deviations.map((x) => (
          <li key={x.id}>
            {x.where}: {x.sheetSays} {x.did} Because: {x.why}
          </li>
        ))}
      </ul>
    </Box>
  );
}
