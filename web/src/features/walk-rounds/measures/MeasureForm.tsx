import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import ToggleButton from "@mui/material/ToggleButton";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { v7 } from "uuid";
import { Press } from "../../../shared/Press";
import { api, must, type Schemas } from "../../../api/client";
import { useJob, useSend } from "../../../api/job";
import type { InstrumentLine } from "../../../api/stream";
import { useUnit } from "../../../shared/Length";
import type { LengthUnit } from "../../../shared/length";
import { asError, ProblemNote } from "../../../shared/ProblemNote";
import { typed } from "../../../shared/quantity";
import { ReadWith, useReadWith } from "../../../shared/ReadWith";
import { useDraft } from "../../../shared/useDraft";
import { PhotographButton } from "../../jobs/Photographs";
import { instrumentFor, placeWords } from "./measures";
import { MeasureDrawing } from "./MeasureDrawing";
import { LiveLine } from "../../../shared/LiveLine";
import { useInstrument } from "../../../shared/useInstrument";
import { useOnce } from "../../../shared/useOnce";

/** What a value may look like. */
const placeholders: Partial<
  Record<Schemas["ReadingKind"], Record<LengthUnit, string>>
> = {
  note: { in: "words", mm: "words" },
  angle: { in: "3.5", mm: "3.5" },
  load: { in: "1235 lb", mm: "560 kg" },
};

/** One measure at one place: how to take it, what stands in the way, its value. */
export function MeasureForm({
  round,
  measure,
  places,
  place,
  why,
  onPlace,
  onStored,
}: {
  round: Schemas["WalkRound"];
  measure: Schemas["Measure"];
  places: string[];
  place: string;
  why: string | null;
  onPlace: (place: string) => void;
  onStored: () => void;
}) {
  const send = useSend();
  const unit = useUnit();
  const input = useRef<HTMLInputElement>(null);
  const [text, setText, clearText] = useDraft(
    `measure.${round.id}.${measure.key}.${place}`,
    "",
  );
  const [over, setOver] = useDraft(`over.${measure.key}`, "");
  const [given, setGiven] = useState<string[]>([]);
  const [problem, setProblem] = useState<Error | null>(null);
  const [skipping, setSkipping] = useState<string | null>(null);
  const [line, setLine] = useState<InstrumentLine | null>(null);
  const isNote = measure.kind === "note";
  const by = useReadWith(
    measure.kind === "angle"
      ? "angleGauge"
      : measure.kind === "load"
        ? "scales"
        : "tape",
  );
  useEffect(() => {
    input.current?.focus();
  }, []);

  const live =
    line?.state === "steady"
      ? {
          // A weight names its unit: what is typed without one is in the reader's own.
          typed:
            line.unit === "kg"
              ? `${line.value.toFixed(1)} kg`
              : line.value.toFixed(2),
          instrument: `${line.instrument} ${line.serial}`,
        }
      : undefined;
  const once = useOnce();
  const store = async (answers: string[]) => {
    setProblem(null);
    const use = text.trim() === "" ? live : undefined;
    try {
      await send(
        {
          kind: "storeMeasure",
          id: v7(),
          walkRoundId: round.id,
          measure: measure.key,
          place,
          typed: use?.typed ?? text,
          over: measure.over === null ? null : typed(over, unit),
          answers,
          takenAt: new Date().toISOString(),
          supersedes: null,
          reason: null,
          instrument: use?.instrument ?? null,
          instrumentId: use ? null : by.id,
        },
        `${measure.title}, ${placeWords(place)} ${use?.typed ?? text}`,
      );
      clearText();
      onStored();
    } catch (e) {
      setProblem(asError(e));
    }
  };
  const skip = async () => {
    setProblem(null);
    try {
      await send(
        {
          kind: "passOver",
          id: v7(),
          walkRoundId: round.id,
          station: null,
          measure: measure.key,
          place,
          why: skipping ?? "",
          takenAt: new Date().toISOString(),
        },
        `${measure.title}, ${placeWords(place)} passed over`,
      );
      onStored();
    } catch (e) {
      setProblem(asError(e));
    }
  };
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        void once(() => store(given));
        setGiven([]);
      }}
    >
      <Typography variant="h2" component="label" htmlFor="measure">
        {measure.title}, {placeWords(place)}
      </Typography>
      {places.length > 1 && (
        <Box
          role="group"
          aria-label="Where"
          sx={{ display: "flex", flexWrap: "wrap", gap: 1, my: 1 }}
        >
          {places.map((p) => (
            <ToggleButton
              key={p}
              value={p}
              selected={p === place}
              onChange={() => {
                onPlace(p);
              }}
            >
              {p}
            </ToggleButton>
          ))}
        </Box>
      )}
      <Box
        sx={{
          display: "flex",
          flexWrap: { xs: "wrap", sm: "nowrap" },
          gap: 2,
          my: 1,
        }}
      >
        <MeasureDrawing measure={measure.key} />
        <Box sx={{ flex: "1 1 220px" }}>
          <Typography>{measure.how}</Typography>
          {why && (
            <Typography color="text.secondary" sx={{ mt: 0.5 }}>
              {why}
            </Typography>
          )}
          {measure.caution && (
            <Typography
              sx={{
                mt: 1,
                pl: 1,
                borderLeft: 4,
                borderColor: "warning.main",
                color: "warning.main",
                fontWeight: 600,
              }}
            >
              ▲ {measure.caution}
            </Typography>
          )}
        </Box>
      </Box>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}>
        <TextField
          id="measure"
          inputRef={input}
          value={text}
          multiline={isNote}
          autoComplete="off"
          placeholder={
            placeholders[measure.kind]?.[unit] ??
            (unit === "in" ? "1 1/4" : "32")
          }
          onChange={(e) => {
            setText(e.target.value);
            setGiven([]);
            setProblem(null);
          }}
          sx={{ flex: "1 1 180px", maxWidth: isNote ? 560 : 260 }}
          slotProps={{
            htmlInput: isNote
              ? {}
              : {
                  style: {
                    fontSize: "1.7rem",
                    fontWeight: 700,
                    padding: "6px 12px",
                  },
                },
          }}
        />
        {measure.over !== null && (
          <TextField
            label={`${measure.over}, ${unit}`}
            value={over}
            onChange={(e) => {
              setOver(e.target.value);
            }}
            slotProps={{ inputLabel: { shrink: true } }}
            sx={{ flex: "1 1 220px", maxWidth: 280 }}
          />
        )}
        <Button type="submit" variant="contained" sx={{ px: 3 }}>
          Store
        </Button>
        {!isNote && (
          <Box sx={{ flex: "0 1 200px" }}>
            <ReadWith with={by} label="Measured with" />
          </Box>
        )}
        <PhotographButton
          of={`place:${measure.key} ${place}`}
          caption={`${measure.title}, ${placeWords(place)}`}
        />
        {skipping === null ? (
          <Button
            color="inherit"
            onClick={() => {
              setSkipping("");
            }}
          >
            Pass over…
          </Button>
        ) : (
          <>
            <TextField
              label="Why is it passed over?"
              value={skipping}
              onChange={(e) => {
                setSkipping(e.target.value);
              }}
              sx={{ maxWidth: 260 }}
            />
            <Press variant="outlined" act={() => skip()}>
              Pass over
            </Press>
          </>
        )}
      </Box>
      <ProblemNote
        problem={problem}
        onChoose={(key) => {
          const all = [...given, key];
          setGiven(all);
          void once(() => store(all));
        }}
      />
      <StandIn
        round={round.id}
        measure={measure.key}
        place={place}
        onLine={setLine}
      />
    </form>
  );
}

/** The live value of a stand-in that takes this measure, once it is chosen. */
function StandIn(props: {
  round: string;
  measure: string;
  place: string;
  onLine: (line: InstrumentLine) => void;
}) {
  const instruments = useQuery({
    queryKey: ["bay-instruments"],
    queryFn: async () => must(await api.GET("/api/bay/instruments")),
    staleTime: Infinity,
  });
  const [on, setOn] = useState(false);
  const kind = instrumentFor(props.measure, instruments.data ?? []);
  if (!kind) {
    return null;
  }
  return on ? (
    <Live {...props} instrument={kind.key} />
  ) : (
    <Button
      size="small"
      sx={{ mt: 1 }}
      onClick={() => {
        setOn(true);
      }}
    >
      Measured with: {kind.name.toLowerCase()} (stand-in)
    </Button>
  );
}

function Live({
  round,
  measure,
  place,
  instrument,
  onLine,
}: {
  round: string;
  measure: string;
  place: string;
  instrument: string;
  onLine: (line: InstrumentLine) => void;
}) {
  const job = useJob().document.job.id;
  const line = useInstrument(
    `/api/jobs/${job}/bay/${instrument}?${new URLSearchParams({
      walkRound: round,
      place,
      measure,
    }).toString()}`,
    measure,
    place,
    onLine,
  );
  return (
    <LiveLine
      label="Instrument"
      line={line}
      digits={measure === "wheelWeight" ? 1 : 2}
      says={(l) =>
        l.state === "steady" ? "● Steady: Enter stores it." : "○ Still moving…"
      }
    />
  );
}
