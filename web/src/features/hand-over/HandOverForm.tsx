import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { v7 } from "uuid";
import { Press } from "../../shared/Press";
import type { JobView } from "../../api/client";
import { Problem } from "../../api/problem";
import { useJob, useSeenVersion, useSend } from "../../api/job";
import { useUnit } from "../../shared/Length";
import { BothWays, type Lines } from "../../shared/BothWays";
import { asError, at } from "../../shared/ProblemNote";
import { typed } from "../../shared/quantity";
import { useDraft } from "../../shared/useDraft";
import { wantedSays } from "../finding/wanted";
import { inDays, farOf, odometerOf } from "./due";

interface Draft {
  reason: string;
  odometer: string;
  notes: string;
  /** Follow-ups that are left out. */
  left: string[];
  /** Day by which each is due, where it was changed. */
  days: Record<string, string>;
}

/** Odometer, words for the owner and follow-ups; with open lines it can be handed over, and they are printed. */
export function HandOverForm() {
  const view = useJob();
  const d = view.document;
  const send = useSend();
  const shown = useUnit();
  const unit = shown === "in" ? "mi" : "km";
  const [draft, setDraft, clear] = useDraft<Draft>(`hand-over.${d.job.id}`, {
    odometer: "",
    notes: "",
    reason: "",
    left: [],
    days: {},
  });
  const seen = useSeenVersion(d.job.id);
  // The job as it was when this form was opened.
  const [opened, setOpened] = useState(view);
  const agreed = ({ document: { job } }: JobView): Lines => ({
    Wanted: wantedSays(job.target, shown),
    "In the owner's words": job.wish ?? "",
    "Promised for": job.promisedOn ?? "",
  });
  const [problem, setProblem] = useState<Error | null>(null);
  const kept = view.followUpSuggestions.filter(
    (f) => !draft.left.includes(f.what),
  );
  const odometer = odometerOf(draft.odometer, unit);
  // What stands against it may be no open line: a comeback without a cause, an instrument that is doubted.
  const asked = problem instanceof Problem && problem.says("reason") !== null;

  const hand = async (over?: JobView) => {
    setProblem(null);
    try {
      await send(
        {
          kind: "handOver",
          version: over ? (over.versions[d.job.id] ?? 0) : seen.version,
          odometer: typed(draft.odometer, unit),
          ownerNotes: draft.notes || null,
          reason: draft.reason || null,
          followUps: kept.map((f) => ({
            id: v7(),
            what: f.what,
            why: f.why,
            dueOn: draft.days[f.what] ?? inDays(f.days),
            dueAt:
              f.km > 0 && odometer
                ? typed(
                    Math.round(
                      odometer.value + farOf(f.km, odometer.unit),
                    ).toString(),
                    odometer.unit,
                    "computed",
                  )
                : null,
          })),
        },
        "the hand-over",
      );
      clear();
    } catch (e) {
      setProblem(asError(e));
    }
  };

  return (
    <Box sx={{ display: "grid", gap: 1.5, mt: 1 }}>
      {(view.progress.openLines.length > 0 || asked || draft.reason !== "") && (
        <Box sx={{ border: 2, borderColor: "warning.main", p: 1 }}>
          {view.progress.openLines.length > 0 && (
            <OpenLines lines={view.progress.openLines} />
          )}
          <TextField
            fullWidth
            label="Why it leaves like this"
            value={draft.reason}
            onChange={(e) => {
              setDraft({ ...draft, reason: e.target.value });
            }}
            {...at(problem, "reason")}
          />
        </Box>
      )}
      <TextField
        label={`Odometer, ${unit}`}
        value={draft.odometer}
        onChange={(e) => {
          setDraft({ ...draft, odometer: e.target.value });
        }}
        {...at(problem, "odometer")}
      />
      <TextField
        label="For the owner: what changed"
        placeholder="Garage door, headlights, longer braking feel, first drive slow and short"
        multiline
        minRows={2}
        value={draft.notes}
        onChange={(e) => {
          setDraft({ ...draft, notes: e.target.value });
        }}
      />
      {kept.length > 0 && (
        <Typography variant="h2">
          To come (rules of thumb, change them)
        </Typography>
      )}
      {kept.map((f) => (
        <Box
          key={f.what}
          sx={{
            display: "flex",
            gap: 1,
            alignItems: "center",
            flexWrap: "wrap",
          }}
        >
          <Box sx={{ flex: "1 1 180px" }}>
            <b>{f.what}</b>
            <Box sx={{ color: "text.secondary", fontSize: "0.9rem" }}>
              {f.why}
              {f.km > 0 &&
                ` Or after ${farOf(f.km, unit).toLocaleString("en")} ${unit}, whichever is first.`}
            </Box>
          </Box>
          <TextField
            type="date"
            label="By"
            value={draft.days[f.what] ?? inDays(f.days)}
            onChange={(e) => {
              setDraft({
                ...draft,
                days: { ...draft.days, [f.what]: e.target.value },
              });
            }}
            sx={{ width: 165 }}
            slotProps={{ inputLabel: { shrink: true } }}
          />
          <Button
            aria-label={`Leave out ${f.what}`}
            onClick={() => {
              setDraft({ ...draft, left: [...draft.left, f.what] });
            }}
          >
            Leave out
          </Button>
        </Box>
      ))}
      <BothWays
        problem={problem}
        mine={agreed(opened)}
        theirs={agreed}
        onTheirs={(fresh) => {
          setOpened(fresh);
          seen.see(fresh);
          setProblem(null);
        }}
        onMine={(fresh) => hand(fresh)}
      />
      <Press variant="contained" act={() => hand()}>
        Hand it over
      </Press>
    </Box>
  );
}

function OpenLines({ lines }: { lines: string[] }) {
  return (
    <>
      ▲{" "}
      {lines.length === 1
        ? "1 open line"
        : `${lines.length.toString()} open lines`}
      . Close under Fit what can be closed; what is handed over open is printed
      on the record with its reason.
      <Box component="ul" sx={{ my: 0.5, pl: 2.5 }}>
        {lines.slice(0, 8).map((l) => (
          <li key={l}>{l}</li>
        ))}
        {lines.length > 8 && <li>and {lines.length - 8} more</li>}
      </Box>
    </>
  );
}
