import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useEffect, useState } from "react";
import { api, type Schemas } from "../../../api/client";
import { useJob } from "../../../api/job";
import { thisDevice } from "../../../api/live";
import { ResultLength } from "../../../shared/Length";
import { Elsewhere } from "../../people/Elsewhere";
import { TakeBackLast } from "../../jobs/History";
import { useHide } from "../../jobs/JobLayout";
import { EntryPanel } from "./EntryPanel";
import { LookQuestion } from "./LookQuestion";
import { Readings } from "./Readings";
import { RoundConditions } from "../conditions/RoundConditions";
import { StationEditor } from "../StationEditor";
import { useEntry } from "./useEntry";

/** One walk-round: type, Enter stores and walks on. Earlier numbers stay hidden until this one is stored. */
export function ReadStations({ round }: { round: Schemas["WalkRound"] }) {
  const view = useJob();
  const entry = useEntry(round);
  const hide = useHide();
  const hidden = entry.text === "" ? null : entry.current;
  useEffect(() => {
    hide(hidden);
    return () => {
      hide(null);
    };
  }, [hide, hidden]);
  const job = view.document.job.id;
  const place = entry.current;
  useEffect(() => {
    // Whoever looks on sees where this tape is; nothing depends on it.
    api
      .POST("/api/jobs/{job}/live/standing", {
        params: { path: { job } },
        body: {
          device: thisDevice,
          walkRoundId: round.id,
          place,
        },
      })
      .catch(() => undefined);
  }, [job, round.id, place]);
  return (
    <Box
      sx={{
        display: "grid",
        gap: 3,
        gridTemplateColumns: {
          xs: "minmax(0,1fr)",
          md: "minmax(0,1fr) minmax(0,1.3fr)",
        },
      }}
    >
      <Box sx={{ order: { xs: 1, md: 0 } }}>
        <StationEditor round={round} entry={entry} />
        <Stance stance={entry.stance} />
        <LookQuestion round={round} stance={entry.stance} />
        <RoundConditions round={round} />
        <Helper job={job} />
      </Box>
      <Box>
        <EntryPanel entry={entry} round={round} />
        <TakeBackLast />
        <Readings
          round={round}
          hidden={hidden}
          onAgain={entry.choose}
          onWrong={(station, reading) => {
            entry.choose(station);
            entry.setWrong(reading);
          }}
        />
      </Box>
    </Box>
  );
}

/** A second device reads in the same round: where one stands, the other walks past. */
function Helper({ job }: { job: string }) {
  const [open, setOpen] = useState(false);
  return (
    <Box
      component="details"
      onToggle={(e) => {
        setOpen(e.currentTarget.open);
      }}
    >
      <Typography component="summary" sx={{ py: 1.25, fontWeight: 650 }}>
        A helper reads too
      </Typography>
      {open && <Elsewhere path={`/jobs/${job}/walk-round`} />}
    </Box>
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
