import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { lazy, Suspense, useEffect } from "react";
import { Route, Routes, useLocation } from "react-router";
import { outbox, useAnswers, useMe, useOutbox } from "../api/job";
import { practice, practiceAt } from "../api/practice";
import { Problem } from "../api/problem";
import { SignIn, SignInHere } from "../features/people/SignIn";
import { JobLayout } from "../features/jobs/JobLayout";
import { helpOf } from "../features/guide/pages";
import { TopBar } from "./TopBar";
import { startPage, usePageStart } from "./usePageStart";

const Yard = lazy(() => import("../features/yard/Yard"));
const SharedRecord = lazy(() => import("../features/papers/SharedRecord"));
const SharedQuote = lazy(() => import("../features/quotes/SharedQuote"));
const Quote = lazy(() => import("../features/quotes/QuoteView"));
const TakeIn = lazy(() => import("../features/jobs/TakeIn"));
const TakenIn = lazy(() => import("../features/jobs/TakenIn"));
const Years = lazy(() => import("../features/vehicles/YearsView"));
const Vehicle = lazy(() => import("../features/vehicles/VehicleView"));
const WalkRound = lazy(() => import("../features/walk-rounds/WalkRoundView"));
const Plan = lazy(() => import("../features/plans/PlanView"));
const Shopping = lazy(() => import("../features/plans/Shopping"));
const Geometry = lazy(() => import("../features/geometry/GeometryView"));
const Fit = lazy(() => import("../features/fitting/FitView"));
const Sheets = lazy(() => import("../features/fitting/SheetsView"));
const Prove = lazy(() => import("../features/proof/ProveView"));
const HandOver = lazy(() => import("../features/hand-over/HandOverView"));
const YearView = lazy(() => import("../features/year/YearView"));
const Bench = lazy(() => import("../features/bench/Bench"));
const Evidence = lazy(() => import("../features/evidence/Evidence"));
const Join = lazy(() => import("../features/people/Join"));
const OwnPage = lazy(() => import("../features/people/OwnPage"));
const ShopPage = lazy(() => import("../features/people/ShopPage"));
const Trust = lazy(() => import("../features/people/Trust"));
const Guide = lazy(() => import("../features/guide/GuideView"));
const Week = lazy(() => import("../features/week/WeekView"));
const Instruments = lazy(() => import("../features/instruments/Instruments"));
const Shelf = lazy(() => import("../features/shelf/Shelf"));
const Practice = lazy(() => import("../features/practice/PracticeView"));
const DrillPage = lazy(() => import("../features/practice/DrillView"));
const ScorePage = lazy(() => import("../features/practice/ScorePage"));

export function App() {
  const me = useMe();
  const { signedOut } = useOutbox();
  useAnswers();
  const person = me.data?.personId;
  useEffect(() => {
    if (person !== undefined) {
      outbox.signedIn(person);
    }
  }, [person]);
  const { pathname } = useLocation();
  usePageStart();
  const crosses = practiceAt(pathname) !== practice;
  useEffect(() => {
    if (crosses) {
      window.location.reload();
    }
  }, [crosses]);
  // Whoever comes here need not be signed in.
  const Door = {
    "/join": Join,
    "/trust": Trust,
    "/record": SharedRecord,
    "/quote": SharedQuote,
  }[pathname];
  if (Door) {
    return (
      <Suspense fallback={null}>
        <Door />
      </Suspense>
    );
  }
  if (me.isPending || crosses) {
    return null;
  }
  // Who was known here stays so, with what was typed, and signs in in place.
  if (!me.data) {
    if (me.error instanceof Problem && me.error.status === 401) {
      return <SignIn />;
    }
    return (
      <Box component="main" sx={{ p: 4 }}>
        <Typography variant="h1">The server does not answer.</Typography>
        <Typography sx={{ mt: 1 }}>
          What you typed is kept on this device. Check that Nokko is started,
          then reload this page.
        </Typography>
      </Box>
    );
  }
  return (
    <Box sx={{ minHeight: "100dvh", display: "flex", flexDirection: "column" }}>
      {!pathname.startsWith("/jobs/") && (
        <title>{`${helpOf(pathname)?.title ?? "No such page"} · Nokko`}</title>
      )}
      <Button
        variant="contained"
        onClick={startPage}
        sx={{
          position: "absolute",
          top: 0,
          left: 0,
          zIndex: 3,
          "&:not(:focus-visible)": { transform: "translateY(-110%)" },
        }}
      >
        Skip to the page
      </Button>
      <TopBar me={me.data} />
      {signedOut && <SignInHere me={me.data} />}
      {me.data.role === "viewer" && (
        <Typography
          className="no-print"
          sx={{ px: { xs: 1, sm: 2 }, py: 0.5, color: "text.secondary" }}
        >
          You look on here: what you change is not kept.
        </Typography>
      )}
      <Suspense fallback={null}>
        <Routes>
          <Route index element={<Yard />} />
          <Route path="take-in" element={<TakeIn />} />
          <Route path="week" element={<Week />} />
          <Route path="shelf" element={<Shelf />} />
          <Route path="instruments" element={<Instruments />} />
          <Route path="vehicles/:vehicle" element={<Years />} />
          <Route path="me" element={<OwnPage />} />
          <Route path="shop" element={<ShopPage />} />
          <Route path="bench/:sheet?" element={<Bench />} />
          <Route path="guide/*" element={<Guide />} />
          <Route path="practice" element={<Practice />} />
          <Route path="practice/drills/:kind" element={<DrillPage />} />
          <Route path="practice/:exercise" element={<ScorePage />} />
          <Route path="evidence" element={<Evidence />} />
          <Route path="year" element={<YearView />} />
          <Route path="jobs/:job" element={<JobLayout />}>
            <Route path="take-in" element={<TakenIn />} />
            <Route path="vehicle" element={<Vehicle />} />
            <Route path="walk-round" element={<WalkRound />} />
            <Route path="plan" element={<Plan />} />
            <Route path="plan/shopping" element={<Shopping />} />
            <Route path="plan/quote" element={<Quote />} />
            <Route path="geometry" element={<Geometry />} />
            <Route path="fit" element={<Fit />} />
            <Route path="fit/sheets" element={<Sheets />} />
            <Route path="prove" element={<Prove />} />
            <Route path="hand-over" element={<HandOver />} />
          </Route>
          <Route
            path="*"
            element={
              <Typography component="main" sx={{ p: 4 }}>
                There is no such page.
              </Typography>
            }
          />
        </Routes>
      </Suspense>
    </Box>
  );
}
