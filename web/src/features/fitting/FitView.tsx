import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Link from "@mui/material/Link";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Link as To } from "react-router";
import { v7 } from "uuid";
import type { Schemas } from "../../api/client";
import { begunPlan, supportNow } from "../../api/document";
import { useJob, useSend } from "../../api/job";
import { Problem } from "../../api/problem";
import { asError, ProblemNote } from "../../shared/ProblemNote";
import { PhotographButton } from "../jobs/Photographs";
import { FastenerLedger } from "./FastenerLedger";
import { OffLedger } from "./OffLedger";

/** The job card: one step large, the rest in order, the ledgers beside it. */
export default function FitView() {
  const view = useJob();
  const d = view.document;
  const plan = begunPlan(d);
  const [chosen, setChosen] = useState<string | null>(null);
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
  const step =
    view.card.steps.find((s) => s.key === chosen) ??
    view.card.steps.find((s) => !done.has(s.key));
  const minutes = view.card.steps
    .filter((s) => !done.has(s.key))
    .reduce((sum, s) => sum + s.minutes, 0);
  return (
    <Box
      sx={{
        display: "grid",
        gap: 3,
        gridTemplateColumns: {
          xs: "minmax(0,1fr)",
          md: "minmax(0,1.1fr) minmax(0,1fr)",
        },
      }}
    >
      <Box>
        <Board />
        {step ? (
          <Step
            key={step.key}
            step={step}
            isDone={done.has(step.key)}
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
        <Typography variant="h2" sx={{ mt: 2 }}>
          The card{minutes > 0 && `, about ${minutes.toString()} min to go`}
        </Typography>
        <Box component="ol" sx={{ pl: 3.5, my: 1 }}>
          {view.card.steps.map((s) => (
            <Box component="li" key={s.key}>
              <Button
                size="small"
                color="inherit"
                aria-current={s.key === step?.key ? "step" : undefined}
                sx={{
                  justifyContent: "flex-start",
                  textAlign: "left",
                  fontWeight: s.key === step?.key ? 800 : 450,
                }}
                onClick={() => {
                  setChosen(s.key);
                }}
              >
                {done.has(s.key) ? "✓ " : s.hold ? "■ " : ""}
                {s.where === "vehicle" ? "" : `${s.where}: `}
                {s.title}
              </Button>
            </Box>
          ))}
        </Box>
      </Box>
      <Box>
        <FastenerLedger plan={plan.id} />
        <OffLedger plan={plan.id} />
        <Deviations />
      </Box>
    </Box>
  );
}

/** What holds it up right now. */
function Board() {
  const last = supportNow(useJob().document);
  return (
    <Box
      role="status"
      sx={{
        border: 2,
        borderColor: "text.primary",
        px: 1.5,
        py: 0.75,
        mb: 1.5,
        fontWeight: 650,
      }}
    >
      {last?.position === "hanging"
        ? `▲ Hanging. Held up by: ${last.on}.`
        : "● On its wheels."}
    </Box>
  );
}

function Step({
  step,
  isDone,
  onDone,
}: {
  step: Schemas["CardStep"];
  isDone: boolean;
  onDone: () => void;
}) {
  const send = useSend();
  const [minutes, setMinutes] = useState("");
  const [reason, setReason] = useState("");
  const [problem, setProblem] = useState<Error | null>(null);
  const gate = problem instanceof Problem && problem.field === "reason";

  const finish = async () => {
    setProblem(null);
    try {
      await send(
        {
          kind: "doStep",
          id: v7(),
          step: step.key,
          minutes: minutes ? Number(minutes) : null,
          reason: reason || null,
        },
        `step ${step.title}`,
      );
      onDone();
    } catch (e) {
      setProblem(asError(e));
    }
  };

  return (
    <Box
      component="section"
      aria-label="Current step"
      sx={{
        border: 2,
        borderColor: step.hold ? "error.main" : "text.primary",
        p: 2,
        pl: step.hold ? 4 : 2,
        bgcolor: "background.paper",
        position: "relative",
        "&::before": step.hold
          ? {
              content: '""',
              position: "absolute",
              inset: "0 auto 0 0",
              width: 16,
              background: (t) =>
                `repeating-linear-gradient(45deg, ${(t.vars ?? t).palette.error.main} 0 10px, transparent 10px 20px)`,
            }
          : undefined,
      }}
    >
      <Typography color="text.secondary">
        {step.hold
          ? "Hold point"
          : step.where === "vehicle"
            ? "Vehicle"
            : step.where}
        {" · about "}
        {step.minutes} min
        {step.people > 1 && ` · ${step.people.toString()} people`}
      </Typography>
      <Typography variant="h1">{step.title}</Typography>
      <Typography sx={{ fontSize: "1.1rem", mt: 1 }}>{step.do}</Typography>
      {step.caution && (
        <Typography sx={{ mt: 1.5, fontWeight: 700, color: "error.main" }}>
          ■ {step.caution}
        </Typography>
      )}
      {step.tools.length > 0 && (
        <Typography sx={{ mt: 1 }}>
          Lay out: {step.tools.join(", ")}.
        </Typography>
      )}
      {step.takesOff.length > 0 && (
        <Typography sx={{ mt: 1 }}>
          Comes off, and must come back: {step.takesOff.join(", ")}.
        </Typography>
      )}
      {step.joints.length > 0 && (
        <Typography sx={{ mt: 1 }}>
          {step.pass === "final"
            ? "Final"
            : step.pass === "snug"
              ? "Snug"
              : "By hand"}
          : {step.joints.join(", ")}. Note them in the ledger.
        </Typography>
      )}
      <Box sx={{ mt: 1, display: "flex", alignItems: "center", gap: 1 }}>
        <PhotographButton
          of={`mark:${step.key}`}
          caption={
            step.where === "vehicle"
              ? step.title
              : `${step.where}: ${step.title}`
          }
        />
      </Box>
      <Box sx={{ mt: 1, display: "grid", gap: 1 }}>
        <ProblemNote problem={problem} />
        {gate && (
          <TextField
            label="Why go on all the same (goes on the record)"
            value={reason}
            onChange={(e) => {
              setReason(e.target.value);
            }}
          />
        )}
        {isDone ? (
          <Typography>✓ Done.</Typography>
        ) : (
          <Box sx={{ display: "flex", gap: 1 }}>
            <TextField
              label="Minutes"
              value={minutes}
              onChange={(e) => {
                setMinutes(e.target.value.replace(/\D/g, ""));
              }}
              sx={{ width: 110 }}
            />
            <Button
              variant="contained"
              color={step.hold ? "error" : "primary"}
              sx={{ flex: 1 }}
              onClick={() => void finish()}
            >
              {gate
                ? "Go on with this reason"
                : step.hold
                  ? "I looked: confirmed"
                  : "Done"}
            </Button>
          </Box>
        )}
      </Box>
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
