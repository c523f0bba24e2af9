import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useEffect, useRef } from "react";
import { v7 } from "uuid";
import { Press } from "../../shared/Press";
import type { JobView, Schemas } from "../../api/client";
import { useJob, type Send } from "../../api/job";
import { Problem } from "../../api/problem";
import { asError, at, ProblemNote } from "../../shared/ProblemNote";
import { secondEyes } from "../../api/words";
import { PhotographButton } from "../jobs/Photographs";
import { Cuts } from "./Cuts";
import { timeText, useEarlier } from "./earlier";
import { lastWork } from "./moved";
import { MarksMade } from "./MarksMade";
import { PlaceDrawing } from "./PlaceDrawing";
import { reachedOf, Reached, type Typed } from "./Reached";
import { SecondEyes } from "./SecondEyes";
import { Tips } from "./Tips";
import { useUnit } from "../../shared/Length";
import { ReadWith, useReadWith } from "../../shared/ReadWith";

/** What was typed into a step that is not done yet, and what stood against it. */
export interface StepDraft {
  minutes: string;
  reason: string;
  /** Who of the owner's side agreed to what cannot be undone. */
  agreed: string;
  reached: Record<string, Typed>;
  problem: Error | null;
}

export const freshStep: StepDraft = {
  minutes: "",
  reason: "",
  agreed: "",
  reached: {},
  problem: null,
};

const holdWords: Record<Schemas["HoldReason"], string> = {
  weight: "its weight",
  lastHold: "the last hold is about to go",
  energy: "stored energy",
  irreversible: "it cannot be undone",
  weightBack: "weight goes back on the wheels",
  rideHeight: "final at ride height",
  brakeTest: "first brake test",
};

/** Minutes since somebody last worked on the plan; null where they tell nothing of this one. */
function minutesSince(
  view: JobView,
  plan: string,
  step: Schemas["CardStep"],
): number | null {
  const last = lastWork(view.document, plan) ?? 0;
  const minutes = Math.round((Date.now() - last) / 60_000);
  return last > 0 && minutes >= 1 && minutes <= 20 + 4 * step.minutes
    ? minutes
    : null;
}

/** One step large: what to do, the hold if there is one, the place, and what its joints reached. */
export function Step({
  step,
  plan,
  isDone,
  number,
  draft,
  send,
  onDraft,
  onDone,
  onRefused,
}: {
  step: Schemas["CardStep"];
  plan: string;
  isDone: boolean;
  number: number;
  /** What was typed, and what stood against it: kept above, because the card walks on before the answer is there. */
  draft: StepDraft;
  send: Send;
  onDraft: (draft: StepDraft) => void;
  onDone: () => void;
  onRefused: (problem: Error) => void;
}) {
  const view = useJob();
  const unit = useUnit() === "in" ? "lb·ft" : "N·m";
  const wrench = useReadWith("torqueWrench");
  const { minutes, reason, agreed, reached, problem } = draft;
  const before = useEarlier().times.find((t) => t.step === step.key);
  const forGood = step.holdFor === "irreversible";
  const sinceLast = minutesSince(view, plan, step);
  const main = useRef<HTMLButtonElement>(null);
  const gate = problem instanceof Problem && problem.field === "reason";
  const title = useRef<HTMLHeadingElement>(null);
  const first = useRef(true);
  useEffect(() => {
    // The focus goes with the hand to the next step, but a page that opens does not steal it.
    if (!first.current || document.activeElement === document.body) {
      title.current?.focus({ preventScroll: false });
    }
    first.current = false;
  }, [step.key]);

  const finish = async () => {
    onDraft({ ...draft, problem: null });
    try {
      await send(
        {
          kind: "doStep",
          id: v7(),
          step: step.key,
          minutes: minutes ? Number(minutes) : null,
          reason: reason || null,
          reached:
            step.pass === "final"
              ? reachedOf(view, step, plan, reached, unit, wrench.id)
              : null,
          agreedBy: forGood ? agreed : null,
        },
        `step ${step.title}`,
      );
      onDone();
    } catch (e) {
      onRefused(asError(e));
    }
  };
  const places = [...step.opens, ...step.loosens];

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
      <Box
        // The words run round the drawing, which stands behind them on a phone.
        sx={{
          display: { xs: "flex", sm: "flow-root" },
          flexDirection: "column-reverse",
        }}
      >
        <Box sx={{ float: { sm: "right" }, ml: { sm: 2 } }}>
          <PlaceDrawing step={step} />
        </Box>
        <Box>
          <Typography color="text.secondary">
            {step.holdFor
              ? `Hold point: ${holdWords[step.holdFor]}`
              : `Step ${number.toString()}`}
            {` · ${step.where === "vehicle" ? "vehicle" : step.where} · about ${step.minutes.toString()} min`}
            {before && ` (here ${timeText(before)})`}
            {step.people > 1 && ` · ${step.people.toString()} people`}
          </Typography>
          <Typography
            variant="h1"
            ref={title}
            tabIndex={-1}
            sx={{ outline: "none" }}
          >
            {step.title}
          </Typography>
          <Typography sx={{ fontSize: "1.1rem", mt: 1 }}>{step.do}</Typography>
          {step.lines.length > 0 && (
            <Box component="ul" sx={{ my: 0.75, pl: 3 }}>
              {step.lines.map((l) => (
                <li key={l}>{l}</li>
              ))}
            </Box>
          )}
          {step.caution && (
            <Typography sx={{ mt: 1.5, fontWeight: 700, color: "error.main" }}>
              ■ {step.caution}
            </Typography>
          )}
          {places.length > 0 && (
            <Box component="ol" sx={{ my: 0.75, pl: 3 }}>
              {places.map((p) => (
                <li key={p}>
                  {p}
                  {step.loosens.includes(p) && ", loosened in place"}
                </li>
              ))}
            </Box>
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
        </Box>
      </Box>
      <MarksMade step={step} />
      <Tips step={step} />
      {forGood && (
        <>
          <Cuts step={step} plan={plan} />
          <TextField
            label="The owner's side agreed: name"
            value={agreed}
            fullWidth
            sx={{ mt: 1 }}
            onChange={(e) => {
              onDraft({ ...draft, agreed: e.target.value });
            }}
            {...at(problem, "agreedBy")}
          />
        </>
      )}
      {step.key === secondEyes && <SecondEyes plan={plan} />}
      {step.pass === "final" && step.joints.length > 0 && (
        <Box sx={{ maxWidth: 260, my: 1 }}>
          <ReadWith with={wrench} label="Pulled with" />
        </Box>
      )}
      {step.pass && step.joints.length > 0 && (
        <Reached
          step={step}
          plan={plan}
          typed={reached}
          onTyped={(next) => {
            onDraft({ ...draft, reached: next });
          }}
          onLast={() => {
            main.current?.focus();
          }}
        />
      )}
      <Box sx={{ mt: 1, display: { xs: "contents", sm: "grid" }, gap: 1 }}>
        {!at(problem, "agreedBy").error && <ProblemNote problem={problem} />}
        {gate && (
          <TextField
            label="Why go on all the same (goes on the record)"
            value={reason}
            onChange={(e) => {
              onDraft({ ...draft, reason: e.target.value });
            }}
          />
        )}
        {isDone ? (
          <Typography>✓ Done.</Typography>
        ) : (
          <Box
            sx={{
              display: "flex",
              gap: 1,
              // On a phone it stays at the thumb while the step is read.
              position: { xs: "sticky", sm: "static" },
              bottom: 54,
              zIndex: 1,
              py: { xs: 1, sm: 0 },
              bgcolor: "background.paper",
            }}
          >
            <TextField
              label="Minutes"
              value={minutes}
              onChange={(e) => {
                onDraft({
                  ...draft,
                  minutes: e.target.value.replace(/\D/g, ""),
                });
              }}
              sx={{ width: 110 }}
            />
            {minutes === "" && sinceLast !== null && (
              <Button
                variant="text"
                onClick={() => {
                  onDraft({ ...draft, minutes: sinceLast.toString() });
                }}
              >
                {sinceLast} min by the clock
              </Button>
            )}
            <Press
              ref={main}
              variant="contained"
              color={step.hold ? "error" : "primary"}
              sx={{ flex: 1 }}
              act={finish}
            >
              {gate
                ? "Go on with this reason"
                : step.pass === "hand"
                  ? "Done: each by hand"
                  : step.pass === "snug"
                    ? "Done: each snug"
                    : step.pass === "final"
                      ? "Done: each final"
                      : step.hold
                        ? "I looked: confirmed"
                        : "Done"}
            </Press>
          </Box>
        )}
        <PhotographButton
          of={`mark:${step.key}`}
          caption={
            step.where === "vehicle"
              ? step.title
              : `${step.where}: ${step.title}`
          }
        />
      </Box>
    </Box>
  );
}
