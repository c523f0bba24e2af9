import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Link from "@mui/material/Link";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { Link as To, useParams } from "react-router";
import { api, must, type Schemas } from "../../api/client";
import { remembered, useMe } from "../../api/job";
import { NeedsNetwork } from "../../shared/NeedsNetwork";
import { useOnce } from "../../shared/useOnce";
import { DrawnTape } from "./DrawnTape";
import { drillDone, sendDrills } from "./drillBox";
import { againSays, isRight, thirtySeconds } from "./practice";

/** A drill: question by question, each with its reason at once. Opened once, it needs no network. */
export default function DrillView() {
  const { kind = "" } = useParams();
  const [round, setRound] = useState(0);
  const drill = useQuery({
    queryKey: ["drill", kind, round],
    queryFn: () =>
      remembered(`drill ${kind}`, async () =>
        must(
          await api.GET("/api/practice/drills/{kind}", {
            params: { path: { kind } },
          }),
        ),
      ),
    staleTime: Infinity,
    refetchOnWindowFocus: false,
    refetchOnReconnect: false,
    retry: false,
  });
  if (drill.isError) {
    return <NeedsNetwork why={drill.error} />;
  }
  return (
    drill.data && (
      <Questions
        key={round}
        drill={drill.data}
        onAgain={() => {
          setRound(round + 1);
        }}
      />
    )
  );
}

function Questions({
  drill,
  onAgain,
}: {
  drill: Schemas["Drill"];
  onAgain: () => void;
}) {
  const [answers, setAnswers] = useState<(number | null)[]>([]);
  const [at, setAt] = useState(0);
  const question = drill.questions[at];
  const answered = answers.length > at;
  const right = drill.questions.filter((q, i) =>
    isRight(q, answers[i] ?? null),
  ).length;
  return (
    <Box component="main" sx={{ px: { xs: 1.5, sm: 3 }, py: 2, maxWidth: 900 }}>
      <Typography variant="h1">{drill.title}</Typography>
      <Typography color="text.secondary" role="status">
        {question
          ? `${(at + 1).toString()} of ${drill.questions.length.toString()} · ${right.toString()} right`
          : `${right.toString()} of ${drill.questions.length.toString()} right`}
      </Typography>
      {question ? (
        <Question
          key={at}
          question={question}
          answer={answered ? (answers[at] ?? null) : undefined}
          onAnswer={(answer) => {
            setAnswers([...answers, answer]);
          }}
          onNext={() => {
            setAt(at + 1);
          }}
        />
      ) : (
        <Ended drill={drill} answers={answers} onAgain={onAgain} />
      )}
    </Box>
  );
}

function Question({
  question,
  answer,
  onAnswer,
  onNext,
}: {
  question: Schemas["DrillQuestion"];
  /** Undefined while it is open. */
  answer: number | null | undefined;
  onAnswer: (answer: number | null) => void;
  onNext: () => void;
}) {
  const next = useRef<HTMLButtonElement>(null);
  const open = answer === undefined;
  useEffect(() => {
    if (!open) {
      next.current?.focus();
    }
  }, [open]);
  return (
    <Box sx={{ mt: 1.5 }}>
      <Typography variant="h2">{question.ask}</Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 3, mt: 1 }}>
        {question.tape && <DrawnTape tape={question.tape} />}
        {question.rows.length > 0 && <Rows rows={question.rows} />}
        <Box sx={{ flex: "1 1 280px" }}>
          {question.choices.length === 0 ? (
            <ReadIt open={open} onAnswer={onAnswer} />
          ) : (
            <Box sx={{ display: "grid", gap: 1, maxWidth: 420 }}>
              {question.choices.map((c, i) => (
                <Button
                  key={c}
                  variant={
                    !open && i === question.right ? "contained" : "outlined"
                  }
                  color={open || i === question.right ? "primary" : "inherit"}
                  aria-disabled={!open}
                  sx={{ justifyContent: "flex-start", textAlign: "left" }}
                  onClick={() => {
                    if (open) {
                      onAnswer(i);
                    }
                  }}
                >
                  {!open && i === question.right ? "✓ " : ""}
                  {!open && i === answer && i !== question.right ? "✗ " : ""}
                  {c}
                </Button>
              ))}
            </Box>
          )}
          {!open && (
            <Box sx={{ mt: 1.5 }} role="status">
              <Typography sx={{ fontWeight: 700 }}>
                {isRight(question, answer) ? "● Right." : "▲ No."}
              </Typography>
              <Typography sx={{ maxWidth: "60ch" }}>{question.why}</Typography>
              <Box
                sx={{ display: "flex", gap: 2, mt: 1, alignItems: "center" }}
              >
                <Button ref={next} variant="contained" onClick={onNext}>
                  Next
                </Button>
                <Link component={To} to={`/guide#${question.guide}`}>
                  More in the guide
                </Link>
              </Box>
            </Box>
          )}
        </Box>
      </Box>
    </Box>
  );
}

function Rows({ rows }: { rows: Schemas["DrillRow"][] }) {
  const figures = rows.some((r) => r.figures.length > 0);
  return figures ? (
    <Box
      component="table"
      sx={{ borderCollapse: "collapse", alignSelf: "start" }}
    >
      <tbody>
        {rows.map((r) => (
          <tr key={r.name}>
            <Box
              component="th"
              scope="row"
              sx={{ textAlign: "left", fontWeight: 500, pr: 2, py: 0.4 }}
            >
              {r.name}
            </Box>
            {r.figures.map((f, i) => (
              <Box
                component="td"
                key={i}
                sx={{
                  textAlign: "right",
                  pl: 2,
                  fontWeight: r.name === "" ? 400 : 650,
                  fontVariantNumeric: "tabular-nums",
                }}
              >
                {f}
              </Box>
            ))}
          </tr>
        ))}
      </tbody>
    </Box>
  ) : (
    <Box component="ol" sx={{ m: 0, pl: 3, maxWidth: 420 }}>
      {rows.map((r) => (
        <li key={r.name}>{r.name}</li>
      ))}
    </Box>
  );
}

/** A field for what a tape reads. */
function ReadIt({
  open,
  onAnswer,
}: {
  open: boolean;
  onAnswer: (answer: number) => void;
}) {
  const [text, setText] = useState("");
  const [why, setWhy] = useState<string | null>(null);
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        const read = thirtySeconds(text);
        if (!open) {
          return;
        }
        if (read === null) {
          setWhy("Inches and a fraction, like 20 7/16.");
        } else {
          onAnswer(read);
        }
      }}
    >
      <TextField
        label="It reads, in"
        value={text}
        autoFocus
        autoComplete="off"
        error={why !== null}
        helperText={why}
        onChange={(e) => {
          setText(e.target.value);
          setWhy(null);
        }}
        slotProps={{ htmlInput: { readOnly: !open } }}
        sx={{ width: 200 }}
      />
      {open && (
        <Button type="submit" variant="contained" sx={{ ml: 1, minHeight: 48 }}>
          Answer
        </Button>
      )}
    </form>
  );
}

function Ended({
  drill,
  answers,
  onAgain,
}: {
  drill: Schemas["Drill"];
  answers: (number | null)[];
  onAgain: () => void;
}) {
  const person = useMe().data?.personId;
  const once = useOnce();
  const kept = useRef(false);
  const [marked, setMarked] = useState<
    Schemas["DrillMarked"] | "sending" | null
  >("sending");
  useEffect(() => {
    if (person === undefined) {
      return;
    }
    void once(async () => {
      if (!kept.current) {
        kept.current = true;
        drillDone(person, { kind: drill.kind, seed: drill.seed, answers });
      }
      setMarked(await sendDrills(person));
    });
  });
  return (
    <Box sx={{ mt: 2 }}>
      <Typography role="status">
        {marked === "sending"
          ? "Storing…"
          : marked === null
            ? "▲ Kept on this device: it is sent when the network is back."
            : `✓ Stored. ${againSays(marked.again, new Date())}.`}
      </Typography>
      <Box sx={{ display: "flex", gap: 2, mt: 1.5 }}>
        <Button variant="contained" onClick={onAgain}>
          Another round
        </Button>
        <Button component={To} to="/practice" color="inherit">
          Back to practice
        </Button>
      </Box>
    </Box>
  );
}
