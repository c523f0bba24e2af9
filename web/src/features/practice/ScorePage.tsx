import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Link from "@mui/material/Link";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { Link as To, useParams } from "react-router";
import { v7 } from "uuid";
import { api, must, type Schemas } from "../../api/client";
import { remembered } from "../../api/job";
import { NeedsNetwork } from "../../shared/NeedsNetwork";
import { Press } from "../../shared/Press";
import { asError, ProblemNote } from "../../shared/ProblemNote";
import { dayAndTime } from "../../shared/time";
import { BestRun } from "./BestRun";
import { spentSays } from "./practice";

const areas: Record<Schemas["ScoreArea"], string> = {
  reading: "Reading",
  conditions: "Conditions",
  finding: "What was wrong with it",
  plan: "Plan",
  cost: "Hours and money",
  fitting: "Fitting",
  proof: "Proof",
};

/** What an exercise came to: the points, the one thing to learn, every line with its reason, and the best run to watch. */
export default function ScorePage() {
  const { exercise = "" } = useParams();
  const score = useQuery({
    queryKey: ["score", exercise],
    queryFn: () =>
      remembered(`score ${exercise}`, async () =>
        must(
          await api.GET("/api/practice/{exercise}/score", {
            params: { path: { exercise } },
          }),
        ),
      ),
    retry: false,
  });
  if (score.isError) {
    return <NeedsNetwork why={score.error} />;
  }
  if (!score.data) {
    return null;
  }
  const view = score.data;
  const { points, passed, first, lines } = view.score;
  return (
    <Box
      component="main"
      sx={{ px: { xs: 1.5, sm: 3 }, py: 2, maxWidth: 1240 }}
    >
      <Typography variant="h1">
        {view.title}, level {view.level}
      </Typography>
      <Typography color="text.secondary">
        {view.person}, {dayAndTime(view.handedInAt)} · {spentSays(view.spent)}
      </Typography>
      <Box
        sx={{
          display: "grid",
          columnGap: 4,
          rowGap: 2,
          mt: 1,
          gridTemplateColumns: {
            xs: "minmax(0,1fr)",
            md: "minmax(0,1fr) minmax(0,430px)",
          },
        }}
      >
        <Box>
          <Typography
            sx={{ fontSize: "3rem", fontWeight: 800, lineHeight: 1.1 }}
          >
            {points}{" "}
            <Box component="span" sx={{ fontSize: "1.3rem" }}>
              {passed ? "● of 100: passed" : "▲ of 100: not passed yet"}
            </Box>
          </Typography>
          {first !== null && (
            <Typography sx={{ mt: 0.5, fontSize: "1.15rem", maxWidth: "60ch" }}>
              <strong>To learn first:</strong> {first}
            </Typography>
          )}
          {view.came !== null && (
            <Typography sx={{ mt: 1, maxWidth: "65ch" }}>
              {view.came}
            </Typography>
          )}
          <Again view={view} />
          <Lines lines={lines} />
        </Box>
        <BestRun steps={view.best} />
      </Box>
    </Box>
  );
}

function Lines({ lines }: { lines: Schemas["ScoreLine"][] }) {
  const shown = Object.keys(areas).filter((a) =>
    lines.some((l) => l.area === a),
  ) as Schemas["ScoreArea"][];
  return shown.map((area) => {
    const mine = lines.filter((l) => l.area === area);
    const [got, of] = [
      mine.reduce((sum, l) => sum + l.got, 0),
      mine.reduce((sum, l) => sum + l.of, 0),
    ];
    return (
      <Box component="section" key={area} sx={{ mt: 2 }}>
        <Typography variant="h2">
          {areas[area]}: {Math.round(got)} of {Math.round(of)}
        </Typography>
        {mine.map((l, i) => (
          <Box
            key={l.said}
            sx={{ py: 0.5, borderBottom: 1, borderColor: "divider" }}
          >
            <Typography>
              {l.got >= l.of ? "● " : l.got > 0 ? "◐ " : "▲ "}
              {l.said}
            </Typography>
            {l.learn !== null && l.learn !== mine[i - 1]?.learn && (
              <Typography sx={{ pl: 2.5 }}>
                {l.learn}{" "}
                {l.guide !== null && (
                  <Link component={To} to={`/guide#${l.guide}`}>
                    Guide
                  </Link>
                )}
              </Typography>
            )}
          </Box>
        ))}
      </Box>
    );
  });
}

/** The same vehicle once more, or the way back. */
function Again({ view }: { view: Schemas["ScoreView"] }) {
  const [problem, setProblem] = useState<Error | null>(null);
  const key = useRef(v7());
  const again = async () => {
    setProblem(null);
    try {
      const { id } = must(
        await api.POST("/api/practice", {
          body: {
            id: key.current,
            course: view.course,
            level: view.level,
            seed: view.seed,
          },
        }),
      );
      window.location.assign(`/jobs/${id}/walk-round`);
    } catch (e) {
      setProblem(asError(e));
    }
  };
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, mt: 1.5 }}>
      {view.seed !== null && (
        <Press variant="contained" act={again}>
          The same vehicle again
        </Press>
      )}
      <Button component={To} to="/practice" color="inherit" variant="outlined">
        Back to practice
      </Button>
      <Button color="inherit" href={`/jobs/${view.id}/walk-round`}>
        Look at what was done
      </Button>
      <ProblemNote problem={problem} />
    </Box>
  );
}
