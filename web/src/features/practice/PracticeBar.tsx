import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { v7 } from "uuid";
import { api, must, type Schemas } from "../../api/client";
import { useOutbox } from "../../api/job";
import { Press } from "../../shared/Press";
import { asError, ProblemNote } from "../../shared/ProblemNote";
import { Surely } from "../../shared/Surely";
import { Mishap } from "./Mishap";
import { spentSays } from "./practice";

/** Over every page of an exercise: that it is one, what is to be done, what it took, where to look, and how to hand it in. */
export default function PracticeBar({
  exercise,
  version,
}: {
  exercise: string;
  version: number;
}) {
  const client = useQueryClient();
  const { letters } = useOutbox();
  const [looking, setLooking] = useState(false);
  // What is to be done stands there until something is; then it is asked for.
  const [reading, setReading] = useState<boolean | null>(null);
  const [problem, setProblem] = useState<Error | null>(null);
  const query = useQuery({
    queryKey: ["exercise", exercise, version],
    queryFn: async () =>
      must(
        await api.GET("/api/practice/{exercise}", {
          params: { path: { exercise } },
        }),
      ),
    placeholderData: (before) => before,
    retry: false,
  });
  const view = query.data;
  const act = async (at: Schemas["LookAt"], mends: boolean) => {
    setProblem(null);
    try {
      const next = must(
        await api.POST("/api/practice/{exercise}/acts", {
          params: { path: { exercise } },
          body: { id: v7(), at, mends },
        }),
      );
      client.setQueryData(["exercise", exercise, version], next);
      // What was put right changes what the tape shows.
      await client.invalidateQueries({ queryKey: ["practice-tape"] });
    } catch (e) {
      setProblem(asError(e));
    }
  };
  const handIn = async () => {
    setProblem(null);
    try {
      must(
        await api.POST("/api/practice/{exercise}/hand-in", {
          params: { path: { exercise } },
        }),
      );
      window.location.assign(`/practice/${exercise}`);
    } catch (e) {
      setProblem(asError(e));
    }
  };
  return (
    <Box
      component="aside"
      aria-label="Practice"
      className="no-print"
      sx={{
        px: { xs: 1, sm: 2 },
        py: 0.75,
        borderBottom: 2,
        borderColor: "secondary.main",
        bgcolor: "background.paper",
      }}
    >
      <Box
        sx={{
          display: "flex",
          flexWrap: "wrap",
          columnGap: 2,
          rowGap: 0.5,
          alignItems: "center",
        }}
      >
        <Typography sx={{ fontWeight: 750, color: "secondary.main" }}>
          ◇ Practice
          {view ? `: ${view.title}, level ${view.level.toString()}` : ""}
        </Typography>
        {view && (
          <Typography color="text.secondary">
            {spentSays(view.spent)}
            {view.handedIn ? " · handed in, to look at" : ""}
          </Typography>
        )}
        <Box sx={{ flex: 1 }} />
        {view && !view.handedIn && view.spent.hours > 0 && (
          <Button
            color="inherit"
            aria-expanded={reading === true}
            onClick={() => {
              setReading(reading !== true);
            }}
          >
            What to do
          </Button>
        )}
        {view?.mine && !view.handedIn && (
          <>
            {view.looks.length > 0 && (
              <Button
                variant="outlined"
                color="inherit"
                aria-expanded={looking}
                onClick={() => {
                  setLooking(!looking);
                }}
              >
                Look around
              </Button>
            )}
            {letters.length > 0 ? (
              <Typography role="status">Saving first…</Typography>
            ) : (
              <Surely
                size="medium"
                says="Hand it in"
                sure="Hand it in for its score: yes"
                act={handIn}
              />
            )}
          </>
        )}
        <Button
          color="inherit"
          href={view?.handedIn ? `/practice/${exercise}` : "/practice"}
        >
          {view?.handedIn ? "Its score" : "Leave"}
        </Button>
      </Box>
      {view && !view.handedIn && (reading ?? view.spent.hours === 0) && (
        <Typography sx={{ maxWidth: "90ch" }}>{view.task}</Typography>
      )}
      <ProblemNote problem={problem} />
      {looking && view && (
        <Box
          component="ul"
          aria-label="Where to look"
          sx={{
            listStyle: "none",
            p: 0,
            m: 0,
            mt: 1,
            display: "grid",
            gap: 1,
            gridTemplateColumns:
              "repeat(auto-fill, minmax(min(100%, 290px), 1fr))",
          }}
        >
          {view.looks.map((look) => (
            <Box component="li" key={look.at}>
              <LookAt look={look} act={act} />
            </Box>
          ))}
        </Box>
      )}
      {view && view.passedOver.length > 0 && (
        <Box role="status" sx={{ mt: 1 }}>
          {view.passedOver.map((p) => (
            <Box
              key={p.step}
              sx={{ display: "flex", gap: 1.5, alignItems: "center", mt: 0.5 }}
            >
              <Mishap reason={p.for} />
              <Typography sx={{ maxWidth: "75ch" }}>
                <strong>■ Passed over: {p.title}.</strong> What would have
                happened: {p.said}
              </Typography>
            </Box>
          ))}
        </Box>
      )}
    </Box>
  );
}

function LookAt({
  look,
  act,
}: {
  look: Schemas["LookView"];
  act: (at: Schemas["LookAt"], mends: boolean) => Promise<void>;
}) {
  if (look.shows === null) {
    return (
      <Press
        variant="outlined"
        color="inherit"
        fullWidth
        sx={{ justifyContent: "space-between", textAlign: "left", height: 1 }}
        act={() => act(look.at, false)}
      >
        {look.says}
        <Box
          component="span"
          sx={{ color: "text.secondary", ml: 1, whiteSpace: "nowrap" }}
        >
          {look.minutes} min
        </Box>
      </Press>
    );
  }
  return (
    <Box sx={{ borderLeft: 3, borderColor: "secondary.main", pl: 1 }}>
      <Typography sx={{ fontWeight: 650 }}>{look.says}</Typography>
      <Typography>{look.shows}</Typography>
      {look.mend !== null && (
        <Press
          variant="contained"
          size="small"
          sx={{ mt: 0.5 }}
          act={() => act(look.at, true)}
        >
          {look.mend} ({look.mendMinutes} min)
        </Press>
      )}
      {look.mended && <Typography>✓ Put right.</Typography>}
    </Box>
  );
}
