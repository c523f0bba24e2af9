import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { v7 } from "uuid";
import type { JobView, Schemas } from "../../api/client";
import { useJob, useOutbox, useSend } from "../../api/job";
import { lettersOf } from "../../api/outbox";
import { BothWays, type Lines } from "../../shared/BothWays";
import { Press } from "../../shared/Press";
import { asError } from "../../shared/ProblemNote";
import { oddsSays } from "../../shared/chance";

/** How one cause is checked, what either outcome would make of it, and the outcome as somebody found it. */
export function Check({
  check,
  said,
  round,
  latest,
  above,
}: {
  check: Schemas["CauseCheck"];
  /** The cause in words. */
  said: string;
  round: string;
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
        <Found check={check} said={said} round={round} latest={latest} />
      )}
    </Box>
  );
}

/** What a check found: asked once, shown since, changed where it was wrong. */
export function Found({
  check,
  said,
  round,
  latest,
}: {
  check: Schemas["CauseCheck"];
  said: string;
  round: string;
  latest: boolean;
}) {
  const d = useJob().document;
  const send = useSend();
  const { letters } = useOutbox();
  const [again, setAgain] = useState(false);
  const [note, setNote] = useState("");
  const [wanted, setWanted] = useState<boolean | null>(null);
  const [problem, setProblem] = useState<Error | null>(null);
  const outcome = outcomeOf(d.checkedCauses, check, round);
  const waiting = lettersOf(letters, "noteCheck").findLast(
    (c) => c.cause === check.kind && c.where === check.where,
  );
  const put = async (wasIt: boolean, instead: string | null) => {
    setProblem(null);
    setWanted(wasIt);
    try {
      await send(
        {
          kind: "noteCheck",
          id: v7(),
          walkRoundId: round,
          cause: check.kind,
          where: check.where,
          wasIt,
          note: note.trim() || null,
          instead,
        },
        "what the check found",
      );
      setAgain(false);
      setNote("");
    } catch (e) {
      setProblem(asError(e));
    }
  };
  const was = waiting?.wasIt ?? check.wasIt;
  return (
    <>
      {was !== null && !again && (
        <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: 1 }}>
          <Typography sx={{ fontWeight: 650, py: 0.75 }}>
            {heardOf(
              d.checkedCauses,
              check,
              was,
              outcome !== undefined || waiting !== undefined,
            )}
            {waiting && ", kept here until the server has it"}
            {outcome && !waiting && ` (${whoOf(d, outcome)})`}
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
            act={() => put(true, outcome?.id ?? null)}
            aria-label={`It was that: ${said}`}
          >
            It was that
          </Press>
          <Press
            variant="outlined"
            act={() => put(false, outcome?.id ?? null)}
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
            sx={{ flex: "1 1 180px", maxWidth: 340 }}
          />
          <Box sx={{ color: "text.secondary", width: "100%" }}>
            Found, its chance goes to {oddsSays(check.ifIt)}; not found, to{" "}
            {oddsSays(check.ifNot)}.
          </Box>
        </Box>
      )}
      <BothWays
        problem={problem}
        mine={{ Found: saysOf(wanted ?? false, note) }}
        theirs={(fresh: JobView): Lines => {
          const it = outcomeOf(fresh.document.checkedCauses, check, round);
          return it ? { Found: saysOf(it.wasIt, it.note ?? "") } : {};
        }}
        onTheirs={() => {
          setProblem(null);
          setAgain(false);
        }}
        onMine={(fresh: JobView) =>
          put(
            wanted ?? false,
            outcomeOf(fresh.document.checkedCauses, check, round)?.id ?? null,
          )
        }
      />
    </>
  );
}

const saysOf = (wasIt: boolean, note: string) =>
  [wasIt ? "it was that" : "it was not that", note.trim()]
    .filter(Boolean)
    .join(": ");

/** The outcome on these readings. */
const outcomeOf = (
  all: Schemas["CheckedCause"][],
  check: Schemas["CauseCheck"],
  round: string,
) =>
  all.find(
    (c) =>
      c.kind === check.kind &&
      c.where === check.where &&
      c.walkRoundId === round,
  );

/** What is said of an outcome; what was found on earlier readings was put right since. */
const heardOf = (
  all: Schemas["CheckedCause"][],
  check: Schemas["CauseCheck"],
  was: boolean,
  here: boolean,
): string => {
  if (here) {
    return was ? "● It was that" : "○ Checked: it was not that";
  }
  const before = all.findLast(
    (c) => c.kind === check.kind && c.where === check.where,
  );
  return before?.wasIt
    ? "○ Found on earlier readings, put right since"
    : "○ Checked on earlier readings: it was not that";
};

const whoOf = (
  d: Schemas["JobDocument"],
  outcome: Schemas["CheckedCause"],
): string =>
  d.people.find((p) => p.id === outcome.personId)?.name ?? "somebody";
