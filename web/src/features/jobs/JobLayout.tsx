import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { createContext, useContext, useState } from "react";
import { NavLink, Outlet, useParams } from "react-router";
import type { Schemas } from "../../api/client";
import { JobProvider, outbox, useJobQuery, useOutbox } from "../../api/job";
import { StanceBand } from "../stance/StanceBand";

const PreviewContext = createContext<
  (prediction: Schemas["Prediction"] | null) => void
>(() => undefined);

/** Shows a prediction in the band without storing anything; null takes it away. */
export function usePreview() {
  return useContext(PreviewContext);
}

export function JobLayout() {
  const { job = "" } = useParams();
  const query = useJobQuery(job);
  const [preview, setPreview] = useState<Schemas["Prediction"] | null>(null);
  if (query.isPending) {
    return null;
  }
  if (query.isError) {
    return (
      <Typography component="main" sx={{ p: 4 }}>
        {query.error.message}
      </Typography>
    );
  }
  return (
    <JobProvider value={query.data}>
      <PreviewContext.Provider value={setPreview}>
        <StanceBand preview={preview} />
        <Box
          component="main"
          sx={{ flex: 1, px: { xs: 1, sm: 2 }, pt: 1.5, pb: 3 }}
        >
          <RefusedLetters job={job} />
          <Outlet />
        </Box>
        <Rail job={job} phases={query.data.progress.phases} />
      </PreviewContext.Provider>
    </JobProvider>
  );
}

const phases: { phase: Schemas["Phase"]; path: string; name: string }[] = [
  { phase: "takeIn", path: "take-in", name: "Take in" },
  { phase: "walkRound", path: "walk-round", name: "Walk round" },
  { phase: "plan", path: "plan", name: "Plan" },
  { phase: "fit", path: "fit", name: "Fit" },
  { phase: "prove", path: "prove", name: "Prove" },
  { phase: "handOver", path: "hand-over", name: "Hand over" },
];

/** The phases along the bottom edge, each with what is open there. None is locked. */
function Rail({
  job,
  phases: states,
}: {
  job: string;
  phases: Schemas["PhaseState"][];
}) {
  return (
    <Box
      component="nav"
      aria-label="Phases of the job"
      className="no-print"
      sx={{
        position: "sticky",
        bottom: 0,
        zIndex: 2,
        display: "flex",
        overflowX: "auto",
        bgcolor: "background.default",
        borderTop: 2,
        borderColor: "text.primary",
      }}
    >
      {phases.map(({ phase, path, name }) => {
        const open = states.find((s) => s.phase === phase)?.open ?? 0;
        return (
          <Box
            key={phase}
            component={NavLink}
            to={`/jobs/${job}/${path}`}
            sx={{
              flex: "1 0 auto",
              minHeight: 52,
              px: { xs: 1.25, sm: 1.5 },
              display: "flex",
              alignItems: "center",
              justifyContent: "center",
              gap: 0.75,
              color: "text.primary",
              textDecoration: "none",
              fontWeight: 600,
              borderTop: "5px solid transparent",
              "&.active": {
                borderTopColor: "primary.main",
                bgcolor: "background.paper",
              },
              "&:focus-visible": { outline: 3, outlineOffset: -4 },
            }}
          >
            {name}
            {open > 0 && (
              <Box
                component="span"
                aria-label={`${open.toString()} open`}
                role="img"
                sx={{
                  border: 1.5,
                  borderRadius: 9,
                  px: 0.8,
                  fontSize: "0.78rem",
                  lineHeight: 1.5,
                  color: "text.secondary",
                }}
              >
                {open}
              </Box>
            )}
          </Box>
        );
      })}
    </Box>
  );
}

/** What the server refused after the person had gone on: nothing typed is lost. */
function RefusedLetters({ job }: { job: string }) {
  const { refused } = useOutbox();
  const mine = refused.filter((r) => r.letter.job === job);
  return mine.map(({ letter, reason }) => (
    <Box
      key={letter.commandId}
      role="alert"
      sx={{ border: 2, borderColor: "error.main", p: 1, mb: 1 }}
    >
      ■ Not stored: {letter.says}. {reason}
      <Button
        onClick={() => {
          outbox.dismiss(letter.commandId);
        }}
      >
        Seen
      </Button>
    </Box>
  ));
}
