import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Link from "@mui/material/Link";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import Typography from "@mui/material/Typography";
import useMediaQuery from "@mui/material/useMediaQuery";
import { useState } from "react";
import { Link as To } from "react-router";
import { currentStage } from "../../api/document";
import { useJob, useSend } from "../../api/job";
import { Doubts } from "../instruments/Doubts";
import { BeginRound, type Tried } from "./BeginRound";
import { CompareView } from "./CompareView";
import { settledWords } from "./conditions/conditions";
import { CsvPanel } from "./CsvPanel";
import { MeasuresView } from "./measures/MeasuresView";
import { ThrowRoundAway } from "./ThrowRoundAway";
import { ReadStations } from "./reading/ReadStations";

type Face = "heights" | "measures" | "compare";

/** Walk-rounds: heights, other measures, and any two rounds beside each other. */
export default function WalkRoundView() {
  const view = useJob();
  const send = useSend();
  const d = view.document;
  const now = currentStage(d);
  const [stageId, setStageId] = useState<string | null>(null);
  const stage = d.stages.find((s) => s.id === stageId) ?? now;
  const byTime = d.walkRounds
    .filter((w) => !w.fromDocument)
    .toSorted((a, b) => a.at.localeCompare(b.at));
  const rounds = byTime.filter((w) => w.stageId === stage.id);
  const last = byTime.at(-1);
  const [chosen, setChosen] = useState<string | null>(null);
  const [tried, setTried] = useState<Tried | null>(null);
  const [face, setFace] = useState<Face>("heights");
  const round =
    chosen === "new"
      ? undefined
      : (rounds.find((r) => r.id === chosen) ?? rounds.at(-1));
  const narrow = useMediaQuery((theme) => theme.breakpoints.down("sm"));
  const asked = view.asked.filter((a) => !a.done).length;

  return (
    <Box>
      <Box
        sx={{
          display: "flex",
          flexWrap: "wrap",
          gap: 1,
          alignItems: "center",
          mb: 1.25,
        }}
      >
        <Typography
          variant="h1"
          sx={{ mr: 1, fontSize: { xs: "1.2rem", sm: "1.6rem" } }}
        >
          Walk round, {stage.name}
        </Typography>
        {d.stages.filter((s) => s.ordinal >= 0).length > 1 && (
          <TextField
            select
            label="Stage"
            value={stage.id}
            onChange={(e) => {
              setStageId(e.target.value);
              setChosen(null);
            }}
            sx={{ width: 170 }}
          >
            {d.stages
              .filter((s) => s.ordinal >= 0)
              .toSorted((a, b) => a.ordinal - b.ordinal)
              .map((s) => (
                <MenuItem key={s.id} value={s.id}>
                  {s.name}
                </MenuItem>
              ))}
          </TextField>
        )}
        {rounds.map((r, i) => (
          <Button
            key={r.id}
            size="small"
            variant={r.id === round?.id ? "contained" : "outlined"}
            aria-pressed={r.id === round?.id}
            onClick={() => {
              setChosen(r.id);
            }}
          >
            Round {i + 1},{" "}
            {r.settled === "no" ? "not settled" : settledWords[r.settled]}
          </Button>
        ))}
        {rounds.length > 0 && (
          <Button
            size="small"
            variant={round ? "text" : "contained"}
            onClick={() => {
              setChosen("new");
              setFace("heights");
            }}
          >
            New round
          </Button>
        )}
        <Link component={To} to={`/jobs/${d.job.id}/fit/sheets?sheet=round`}>
          Blank sheet
        </Link>
        {byTime.length > 0 && (
          <ToggleButtonGroup
            exclusive
            value={face}
            aria-label="What is shown"
            onChange={(_, next: Face | null) => {
              if (next) setFace(next);
            }}
            sx={{ ml: { md: "auto" } }}
          >
            <ToggleButton value="heights">Heights</ToggleButton>
            <ToggleButton value="measures">
              {narrow
                ? `Measures${asked > 0 ? ` (${asked.toString()})` : ""}`
                : `Other measures${asked > 0 ? ` (${asked.toString()} asked)` : ""}`}
            </ToggleButton>
            <ToggleButton value="compare">Compare</ToggleButton>
          </ToggleButtonGroup>
        )}
      </Box>
      <Doubts />
      {face === "compare" ? (
        <CompareView />
      ) : round ? (
        face === "heights" ? (
          <>
            <ReadStations key={round.id} round={round} />
            <CsvPanel round={round} />
            <ThrowRoundAway key={`away ${round.id}`} round={round} />
          </>
        ) : (
          <MeasuresView key={round.id} round={round} />
        )
      ) : (
        <BeginRound
          key={`${stage.id} ${tried?.round ?? ""}`}
          stage={stage}
          last={last}
          tried={tried?.stage === stage.id ? tried : null}
          send={send}
          onBegun={(begun) => {
            setTried(null);
            setChosen(begun);
          }}
          onRefused={setTried}
        />
      )}
    </Box>
  );
}
