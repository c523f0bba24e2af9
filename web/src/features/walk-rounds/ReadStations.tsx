import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useDeferredValue, useEffect, useRef, useState } from "react";
import { v7 } from "uuid";
import { api, must, type Schemas } from "../../api/client";
import { heightAt } from "../../api/document";
import { useJob, useOutbox, useSend } from "../../api/job";
import { ResultLength, useUnit } from "../../shared/Length";
import { asError, ProblemNote } from "../../shared/ProblemNote";
import { cornerWords } from "../../shared/quantity";
import { useDraft } from "../../shared/useDraft";
import { useHide } from "../jobs/JobLayout";
import { Readings } from "./Readings";
import { RoundConditions } from "./RoundConditions";
import { TopDrawing } from "./TopDrawing";

const lips = ["LF", "RF", "LR", "RR"];

/** One walk-round: type, Enter stores and walks on. Earlier numbers stay hidden until this one is stored. */
export function ReadStations({ round }: { round: Schemas["WalkRound"] }) {
  const view = useJob();
  const d = view.document;
  const send = useSend();
  const { letters } = useOutbox();
  const stance = view.results.walkRounds.find(
    (w) => w.walkRoundId === round.id,
  );
  const order = d.vehicle.stations.map((s) => s.name);
  const waiting = letters.filter(
    (l) => l.job === d.job.id && l.body.walkRoundId === round.id,
  );
  const isRead = (station: string) =>
    heightAt(stance, station) !== undefined ||
    waiting.some((l) => l.body.station === station);
  const next = (after: string, read: (s: string) => boolean) => {
    const i = order.indexOf(after);
    return (
      [...order.slice(i + 1), ...order.slice(0, i)].find((s) => !read(s)) ??
      after
    );
  };
  // First what is not read yet, then what does not fit and should be read again.
  const suspect = view.results.proofs.find((p) => p.walkRoundId === round.id)
    ?.comparison?.rigid?.suspects[0];
  const [current, setCurrent] = useState(
    () => order.find((s) => !isRead(s)) ?? suspect ?? order[0] ?? "LF",
  );
  const [wrong, setWrong] = useState<string | null>(null);
  const [text, setText, clearText] = useDraft(
    `reading.${round.id}.${current}`,
    "",
  );
  const [reason, setReason] = useState("");
  const [given, setGiven] = useState<string[]>([]);
  const [problem, setProblem] = useState<Error | null>(null);
  const input = useRef<HTMLInputElement>(null);
  const hide = useHide();
  const hidden = text === "" ? null : current;
  useEffect(() => {
    hide(hidden);
    return () => {
      hide(null);
    };
  }, [hide, hidden]);
  const from: Schemas["Datum"] = lips.includes(current)
    ? round.datum
    : round.datum === "hub" || round.datum === "rim"
      ? "floor"
      : round.datum;

  const choose = (station: string) => {
    setCurrent(station);
    setProblem(null);
    setWrong(null);
    input.current?.focus();
  };

  const store = async (answers: string[]) => {
    setProblem(null);
    const typed = text;
    try {
      await send(
        "POST",
        "/readings",
        {
          id: v7(),
          walkRoundId: round.id,
          station: current,
          from,
          typed,
          answers,
          takenAt: new Date().toISOString(),
          supersedes: wrong,
          reason: wrong ? reason : null,
        },
        `${cornerWords[current] ?? current} ${typed}`,
      );
      clearText();
      setWrong(null);
      setReason("");
      setCurrent(next(current, (s) => s === current || isRead(s)));
      input.current?.focus();
    } catch (e) {
      setProblem(asError(e));
      input.current?.focus();
    }
  };

  const unit = useUnit();
  const said = cornerWords[current] ?? current;
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
        <TopDrawing
          vehicle={d.vehicle}
          current={current}
          done={isRead}
          onChoose={choose}
        />
        <Stance stance={stance} />
      </Box>
      <Box sx={{ order: { xs: -1, md: 0 } }}>
        <form
          onSubmit={(e) => {
            e.preventDefault();
            void store(given);
            setGiven([]);
          }}
        >
          <Typography variant="h2" component="label" htmlFor="tape">
            {said}, from the {from}
          </Typography>
          <Box sx={{ display: "flex", gap: 1, mt: 0.5 }}>
            <TextField
              id="tape"
              inputRef={input}
              value={text}
              autoFocus
              autoComplete="off"
              onChange={(e) => {
                setText(e.target.value);
                setGiven([]);
                setProblem(null);
              }}
              placeholder={
                unit === "mm" ? "520" : from === "hub" ? "20 1/2" : "35 1/2"
              }
              slotProps={{
                htmlInput: {
                  inputMode: "text",
                  style: {
                    fontSize: "2rem",
                    fontWeight: 700,
                    padding: "8px 12px",
                  },
                },
              }}
            />
            <Button type="submit" variant="contained" sx={{ px: 3 }}>
              Store
            </Button>
          </Box>
          <Echo text={text} />
          {wrong && (
            <TextField
              label="Why was the first reading wrong?"
              value={reason}
              onChange={(e) => {
                setReason(e.target.value);
              }}
              sx={{ mt: 1 }}
            />
          )}
          <Box sx={{ mt: 1 }}>
            <ProblemNote
              problem={problem}
              onChoose={(key) => {
                const all = [...given, key];
                setGiven(all);
                void store(all);
              }}
            />
          </Box>
        </form>
        <RoundConditions round={round} />
        <Readings
          round={round}
          hidden={hidden}
          onAgain={choose}
          onWrong={(station, reading) => {
            choose(station);
            setWrong(reading);
          }}
        />
      </Box>
    </Box>
  );
}

/** What the reader makes of the text, while it is typed. */
function Echo({ text }: { text: string }) {
  const asked = useDeferredValue(text.trim());
  const echo = useQuery({
    queryKey: ["tape", asked],
    queryFn: async () =>
      must(await api.GET("/api/tape", { params: { query: { text: asked } } })),
    enabled: asked !== "",
    staleTime: Infinity,
    retry: false,
  });
  return (
    <Typography
      color="text.secondary"
      sx={{ minHeight: "1.6em" }}
      role="status"
    >
      {asked !== "" &&
        (echo.data?.shown ?? echo.data?.question ?? echo.data?.refused)}
    </Typography>
  );
}

/** Rake, lean and their ±, in sentences. */
function Stance({
  stance,
}: {
  stance: Schemas["WalkRoundStance"] | undefined;
}) {
  const view = useJob();
  if (!stance || stance.stations.length === 0) {
    return (
      <Typography color="text.secondary">
        Rake and lean appear as soon as both ends are read.
      </Typography>
    );
  }
  const words = view.words.find((w) => w.walkRoundId === stance.walkRoundId);
  return (
    <Box>
      <Box
        component="dl"
        sx={{
          display: "grid",
          gridTemplateColumns: "repeat(auto-fill, minmax(150px, 1fr))",
          gap: 1,
          m: 0,
        }}
      >
        {(
          [
            ["Rake", stance.rake],
            ["Lean, front", stance.leanFront],
            ["Lean, rear", stance.leanRear],
          ] as const
        )
          .filter(([, result]) => result.value !== null)
          .map(([name, result]) => (
            <Box key={name}>
              <Box
                component="dt"
                sx={{ color: "text.secondary", fontSize: "0.85rem" }}
              >
                {name}
              </Box>
              <Box
                component="dd"
                sx={{ m: 0, fontSize: "1.3rem", fontWeight: 700 }}
              >
                <ResultLength result={result} signed />
              </Box>
            </Box>
          ))}
      </Box>
      {words?.sentences.map((s) => (
        <Typography key={s} sx={{ mt: 0.5 }}>
          {s}
        </Typography>
      ))}
    </Box>
  );
}
