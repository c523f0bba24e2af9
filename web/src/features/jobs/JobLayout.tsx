import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import {
  createContext,
  lazy,
  Suspense,
  useContext,
  useEffect,
  useState,
} from "react";
import { NavLink, Outlet, useLocation, useParams } from "react-router";
import type { Schemas } from "../../api/client";
import { LiveProvider, useListening } from "../../api/live";
import { withWaiting } from "../../api/waiting";
import { practice } from "../../api/practice";
import { JobProvider, useJobQuery, useMe, useOutbox } from "../../api/job";
import { keepLastJob } from "../../shared/lastJob";
import { useParts } from "../../shared/useParts";
import { InTheBin } from "./JobBin";
import { RefusedLetters } from "./RefusedLetters";
import { helpOf } from "../guide/pages";
import { StanceBand } from "../stance/StanceBand";

const PracticeBar = lazy(() => import("../practice/PracticeBar"));

interface Band {
  preview: (prediction: Schemas["Prediction"] | null) => void;
  hide: (station: string | null) => void;
}

const BandContext = createContext<Band>({
  preview: () => undefined,
  hide: () => undefined,
});

/** Shows a prediction in the band without storing anything; null takes it away. */
export function usePreview() {
  return useContext(BandContext).preview;
}

/** Hides one station's number in the band while it is typed anew, so that it does not lead the eye. */
export function useHide() {
  return useContext(BandContext).hide;
}

export function JobLayout() {
  const { job = "" } = useParams();
  const query = useJobQuery(job);
  const [preview, setPreview] = useState<Schemas["Prediction"] | null>(null);
  const [hidden, setHidden] = useState<string | null>(null);
  const band = { preview: setPreview, hide: setHidden };
  const { letters } = useOutbox();
  const parts = useParts();
  const live = useListening(job);
  const { pathname } = useLocation();
  const measuring = pathname.endsWith("/walk-round");
  const person = useMe().data?.personId;
  const here = query.data?.document.vehicle;
  const title = here ? (here.plate ?? here.vin ?? here.name) : null;
  useEffect(() => {
    if (person !== undefined && title !== null && practice === null) {
      keepLastJob(person, { path: pathname, title });
    }
  }, [person, title, pathname]);
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
    <JobProvider value={withWaiting(query.data, letters, parts.data ?? [])}>
      <title>{`${title ?? ""}: ${helpOf(pathname)?.title ?? ""} · Nokko`}</title>
      <LiveProvider value={live}>
        <BandContext.Provider value={band}>
          {practice !== null && (
            <Suspense fallback={null}>
              <PracticeBar exercise={practice} version={query.data.version} />
            </Suspense>
          )}
          <StanceBand preview={preview} hidden={hidden} nowOnly={measuring} />
          <Box
            component="main"
            sx={{ flex: 1, px: { xs: 1, sm: 2 }, pt: 1.5, pb: 3 }}
          >
            <RefusedLetters job={job} />
            <InTheBin />
            <Outlet />
          </Box>
          <Rail job={job} phases={query.data.progress.phases} />
        </BandContext.Provider>
      </LiveProvider>
    </JobProvider>
  );
}

/** The phases, and what the badge of each counts: of one, and of many. */
const phases: {
  phase: Schemas["Phase"];
  path: string;
  name: string;
  counts: [string, string];
}[] = [
  {
    phase: "takeIn",
    path: "take-in",
    name: "Take in",
    counts: ["size is estimated", "sizes are estimated"],
  },
  {
    phase: "walkRound",
    path: "walk-round",
    name: "Walk round",
    counts: ["corner to read", "corners to read"],
  },
  {
    phase: "plan",
    path: "plan",
    name: "Plan",
    counts: ["plan to make", "plans to make"],
  },
  {
    phase: "geometry",
    path: "geometry",
    name: "Geometry",
    counts: ["thing is beyond its limit", "things are beyond their limits"],
  },
  {
    phase: "fit",
    path: "fit",
    name: "Fit",
    counts: ["step or line is open", "steps and lines are open"],
  },
  {
    phase: "prove",
    path: "prove",
    name: "Prove",
    counts: ["result to prove", "results to prove"],
  },
  {
    phase: "handOver",
    path: "hand-over",
    name: "Hand over",
    counts: ["follow-up to come", "follow-ups to come"],
  },
];

/** The phases along the bottom edge, each with what is open there. None is locked. */
function Rail({
  job,
  phases: states,
}: {
  job: string;
  phases: Schemas["PhaseState"][];
}) {
  const onVehicle = useLocation().pathname.endsWith("/vehicle");
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
        bgcolor: "background.default",
        borderTop: 2,
        borderColor: "text.primary",
      }}
    >
      {phases.map(({ phase, path, name, counts }) => {
        const open = states.find((s) => s.phase === phase)?.open ?? 0;
        const says = `${open.toString()} ${counts[open === 1 ? 0 : 1]}`;
        return (
          <Box
            key={phase}
            component={NavLink}
            to={`/jobs/${job}/${path}`}
            // The vehicle belongs to what was taken in.
            className={phase === "takeIn" && onVehicle ? "active" : undefined}
            sx={{
              flex: { xs: "1 1 0", sm: "1 0 auto" },
              minWidth: 0,
              minHeight: 52,
              px: { xs: 0.25, sm: 1.5 },
              fontSize: { xs: "0.72rem", sm: "1rem" },
              lineHeight: 1.1,
              textAlign: "center",
              flexDirection: { xs: "column", sm: "row" },
              display: "flex",
              alignItems: "center",
              justifyContent: "center",
              gap: { xs: 0.25, sm: 0.75 },
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
                aria-label={says}
                title={says}
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
