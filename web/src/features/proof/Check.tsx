import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { JobView, Schemas } from "../../api/client";
import { useJob, useOutbox } from "../../api/job";
import { lettersOf } from "../../api/letters";
import { BothWays, type Lines } from "../../shared/BothWays";
import { Press } from "../../shared/Press";
import { at } from "../../shared/ProblemNote";
import { oddsSays } from "../../shared/chance";
import { useDraft } from "../../shared/useDraft";
import { heardOf } from "./pattern";
import { outcomeOf, type CheckNotes } from "./useCheckNotes";

/** How one cause is checked, what either outcome would make of it, and the outcome as somebody found it. */
export function Check({
  check,
  said,
  notes,
  latest,
  above,
}: {
  check: Schemas["CauseCheck"];
  /** The cause in words. */
  said: string;
  notes: CheckNotes;
  latest: boolean;
  /** Whether it is what is done next: its outcome is noted there. */
  above: boolean;
}) {
  return (
    <Box sx={{ mb: 0.5 }}>
      <Box sx={{ color: "text.secondary" }}>
        {check.says} About {check.minutes.toString()} min.
        {above && " What it found is noted above."}
      </Box>
      {!above && (
        <Found check={check} said={said} notes={notes} latest={latest} />
      )}
    </Box>
  );
}

/** What a check found: asked once, shown since, changed where it was wrong. */
export function Found({
  check,
  said,
  notes,
  latest,
}: {
  check: Schemas["CauseCheck"];
  said: string;
  notes: CheckNotes;
  latest: boolean;
}) {
  const d = useJob().document;
  const { letters } = useOutbox();
  const [again, setAgain] = useState(false);
  const [note, setNote, clear] = useDraft(
    `check.${notes.round}.${check.kind}.${check.where}`,
    "",
  );
  const outcome = outcomeOf(d.checkedCauses, check, notes.round);
  const waiting = lettersOf(letters, "noteCheck").findLast(
    (c) =>
      c.walkRoundId === notes.round &&
      c.cause === check.kind &&
      c.where === check.where,
  );
  const put = async (wasIt: boolean) => {
    if (await notes.put({ check, said, wasIt, note }, outcome?.id ?? null)) {
      setAgain(false);
      clear();
    }
  };
  const mine =
    notes.last?.check.kind === check.kind &&
    notes.last.check.where === check.where;
  const was = waiting?.wasIt ?? check.wasIt;
  return (
    <>
      {was !== null && !again && (
        <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: 1 }}>
          <Typography sx={{ fontWeight: 650, py: 0.75 }}>
            {heardOf(d.checkedCauses, check, was, !!outcome || !!waiting)}
            {waiting && ", kept here until the server has it"}
            {outcome &&
              !waiting &&
              ` (${d.people.find((p) => p.id === outcome.personId)?.name ?? ""})`}
            {outcome?.note && `: ${outcome.note}`}
          </Typography>
          {latest && !check.byReading && !waiting && (
            <Button
              aria-label={`Change what the check found: ${said}`}
              onClick={() => {
                setNote(outcome?.note ?? "");
                setAgain(true);
              }}
            >
              Change
            </Button>
          )}
        </Box>
      )}
      {latest && !check.byReading && (was === null || again) && (
        <Box
          role="group"
          aria-label={`What the check found: ${said}`}
          sx={{
            display: "flex",
            flexWrap: "wrap",
            gap: 1,
            alignItems: "center",
            my: 0.5,
          }}
        >
          <Press
            variant="outlined"
            act={() => put(true)}
            aria-label={`It was that: ${said}`}
          >
            It was that
          </Press>
          <Press
            variant="outlined"
            act={() => put(false)}
            aria-label={`It was not: ${said}`}
          >
            It was not
          </Press>
          <TextField
            size="small"
            label="What was found"
            value={note}
            onChange={(e) => {
              setNote(e.target.value);
            }}
            {...(mine && at(notes.problem, "note"))}
            sx={{ flex: "1 1 180px", maxWidth: 340 }}
          />
          <Box sx={{ color: "text.secondary", width: "100%" }}>
            Found, its chance goes to {oddsSays(check.ifIt)}; not found, to{" "}
            {oddsSays(check.ifNot)}.
          </Box>
        </Box>
      )}
    </>
  );
}

/** What stands against what was said last; where somebody said otherwise meanwhile, both and the choice. */
export function CheckProblem({ notes }: { notes: CheckNotes }) {
  const { last, problem } = notes;
  if (!last || !problem || at(problem, "note").error) {
    return null;
  }
  return (
    <BothWays
      problem={problem}
      mine={{ [last.said]: saysOf(last.wasIt, last.note) }}
      theirs={(fresh: JobView): Lines => {
        const it = outcomeOf(
          fresh.document.checkedCauses,
          last.check,
          notes.round,
        );
        return it ? { [last.said]: saysOf(it.wasIt, it.note ?? "") } : {};
      }}
      onTheirs={notes.drop}
      onMine={(fresh: JobView) =>
        notes.put(
          last,
          outcomeOf(fresh.document.checkedCauses, last.check, notes.round)
            ?.id ?? null,
        )
      }
    />
  );
}

const saysOf = (wasIt: boolean, note: string) =>
  [wasIt ? "it was that" : "it was not that", note.trim()]
    .filter(Boolean)
    .join(": ");
