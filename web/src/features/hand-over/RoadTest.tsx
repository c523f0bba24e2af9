import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { v7 } from "uuid";
import type { JobView, Schemas } from "../../api/client";
import { sinceBegun } from "../../api/document";
import { useJob, useSend } from "../../api/job";
import { roadChanges, roadQuestions, roadTroubles } from "../../api/words";
import { BothWays, type Lines } from "../../shared/BothWays";
import { Press } from "../../shared/Press";
import { asError, ProblemNote } from "../../shared/ProblemNote";
import { useDraft } from "../../shared/useDraft";
import { answersOf, filled, linesOf, withRest, type Answers } from "./roadTest";

/** The same questions before and after: what is new since the work is looked at before it leaves. */
export function RoadTest({ after }: { after: boolean }) {
  const view = useJob();
  const d = view.document;
  const stored = d.roadTests.find((t) => t.after === after);
  // One that was driven before a second pass is only the row that this one takes the place of.
  const standing = (of: JobView) =>
    (after
      ? sinceBegun(of.document, of.document.roadTests)
      : of.document.roadTests
    ).find((t) => t.after === after);
  const send = useSend();
  // The version of the drive from which this form was filled; null where there was none.
  const [version, setVersion] = useState(
    stored ? (view.versions[stored.id] ?? 0) : null,
  );
  const [draft, setDraft, clear] = useDraft<Answers>(
    `road-test.${d.job.id}.${after ? "after" : "before"}`,
    answersOf(standing(view)),
  );
  const [problem, setProblem] = useState<Error | null>(null);
  const lines = (of: JobView): Lines => linesOf(answersOf(standing(of)));
  const note = async (over?: JobView) => {
    setProblem(null);
    const known = (over ?? view).document.roadTests.find(
      (t) => t.after === after,
    );
    const id = known?.id ?? v7();
    try {
      const outcome = await send(
        {
          kind: "noteRoadTest",
          id,
          after,
          answers: filled(draft),
          version: over ? (over.versions[id] ?? 0) : version,
        },
        `the road test ${after ? "after" : "before"} the work`,
      );
      if ("stored" in outcome) {
        setVersion(outcome.stored.versions[id] ?? null);
      }
      clear();
    } catch (e) {
      setProblem(asError(e));
    }
  };
  return (
    <Box component="section" aria-label="Road test" sx={{ mt: 2 }}>
      {after && <Typography variant="h2">Road test after the work</Typography>}
      {view.roadTest.map((q) => (
        <Question
          key={q.question}
          compared={q}
          after={after}
          answer={draft[q.question]}
          set={(answer) => {
            setDraft({ ...draft, [q.question]: answer });
          }}
        />
      ))}
      <BothWays
        problem={problem}
        mine={linesOf(draft)}
        theirs={lines}
        onTheirs={(fresh) => {
          const theirs = fresh.document.roadTests.find(
            (t) => t.after === after,
          );
          setVersion(theirs ? (fresh.versions[theirs.id] ?? 0) : null);
          setDraft(answersOf(standing(fresh)));
          setProblem(null);
        }}
        onMine={(fresh) => note(fresh)}
      />
      <ProblemNote problem={problem} />
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, mt: 1 }}>
        <Press variant="outlined" act={() => note()}>
          Note the drive
        </Press>
        <Button
          onClick={() => {
            setDraft(withRest(draft));
          }}
        >
          The rest is fine
        </Button>
      </Box>
    </Box>
  );
}

function Question({
  compared: q,
  after,
  answer,
  set,
}: {
  compared: Schemas["RoadCompared"];
  after: boolean;
  answer: Answers[Schemas["RoadQuestion"]];
  set: (answer: Answers[Schemas["RoadQuestion"]]) => void;
}) {
  const said = roadQuestions[q.question];
  const worse =
    q.change === "new" || q.change === "more" || q.change === "there";
  return (
    <Box sx={{ borderTop: 1, borderColor: "divider", py: 0.75 }}>
      <Box
        sx={{
          display: "flex",
          flexWrap: "wrap",
          gap: 1,
          alignItems: "center",
          justifyContent: "space-between",
        }}
      >
        <Box sx={{ flex: "1 1 170px" }}>
          {said}
          {after && q.before && (
            <Box sx={{ color: "text.secondary", fontSize: "0.9rem" }}>
              Before: {roadTroubles[q.before.trouble]}
              {q.before.note && `, ${q.before.note}`}
            </Box>
          )}
        </Box>
        <ToggleButtonGroup
          exclusive
          size="small"
          aria-label={said}
          value={answer?.trouble ?? null}
          onChange={(_, trouble: Schemas["RoadTrouble"] | null) => {
            set(trouble ? { trouble, note: answer?.note ?? "" } : undefined);
          }}
        >
          {(Object.keys(roadTroubles) as Schemas["RoadTrouble"][]).map((t) => (
            <ToggleButton
              key={t}
              value={t}
              aria-label={`${said}: ${roadTroubles[t]}`}
            >
              {roadTroubles[t]}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
      </Box>
      {answer && answer.trouble !== "none" && (
        <TextField
          size="small"
          fullWidth
          label="What, where, how fast"
          value={answer.note}
          onChange={(e) => {
            set({ ...answer, note: e.target.value });
          }}
          slotProps={{
            htmlInput: { "aria-label": `What, where, how fast: ${said}` },
          }}
          sx={{ mt: 0.75 }}
        />
      )}
      {after && q.change && q.change !== "fine" && (
        <Box sx={{ mt: 0.5, color: worse ? "warning.main" : undefined }}>
          {worse ? "▲ " : "● "}
          {roadChanges[q.change]}
          {q.look && `. ${q.look}`}
        </Box>
      )}
    </Box>
  );
}
