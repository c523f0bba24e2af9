import Box from "@mui/material/Box";
import Link from "@mui/material/Link";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { Link as To } from "react-router";
import { v7 } from "uuid";
import { api, must, type Schemas } from "../../api/client";
import { remembered, useMe } from "../../api/job";
import { NeedsNetwork } from "../../shared/NeedsNetwork";
import { Press } from "../../shared/Press";
import { asError, ProblemNote } from "../../shared/ProblemNote";
import { dayAndTime, dayOfYear, dayText } from "../../shared/time";
import { drillsWaiting, sendDrills } from "./drillBox";
import { againSays, weekSays } from "./practice";

/** Where somebody learns on a vehicle that exists in numbers only: courses, drills, what was done, who has passed what. */
export default function PracticeView() {
  const me = useMe().data;
  const person = me?.personId;
  const home = useQuery({
    queryKey: ["practice"],
    queryFn: async () => {
      if (person !== undefined) {
        await sendDrills(person);
      }
      return remembered("practice", async () =>
        must(await api.GET("/api/practice")),
      );
    },
    enabled: person !== undefined,
  });
  if (home.isError) {
    return <NeedsNetwork why={home.error} />;
  }
  if (!home.data || !me) {
    return null;
  }
  const { courses, drills, drillTitles, weeks, mine, shop, passes } = home.data;
  const waits = drillsWaiting(me.personId).length;
  const open = mine.filter((e) => e.handedInAt === null);
  const done = mine.filter((e) => e.handedInAt !== null);
  return (
    <Box
      component="main"
      sx={{ px: { xs: 1.5, sm: 3 }, py: 2, maxWidth: 1180 }}
    >
      <Typography variant="h1">Practice bay</Typography>
      <Typography sx={{ maxWidth: "75ch" }}>
        A vehicle that exists in numbers only, on the real screens. Something
        may be wrong with it, and nobody says what. Nothing of it reaches the
        yard, the shelf or the evidence.
      </Typography>
      {waits > 0 && (
        <Typography role="status" sx={{ mt: 1 }}>
          ▲ {waits} {waits === 1 ? "drill waits" : "drills wait"} here for the
          network.
        </Typography>
      )}
      {open.length > 0 && (
        <Box component="section" sx={{ mt: 2 }}>
          <Typography variant="h2">Not handed in yet</Typography>
          {open.map((e) => (
            <Link
              key={e.id}
              href={`/jobs/${e.id}/walk-round`}
              sx={{ display: "block", py: 0.75 }}
            >
              {e.title}, level {e.level}, begun {dayAndTime(e.startedAt)}: go on
            </Link>
          ))}
        </Box>
      )}
      {me.role !== "viewer" && (
        <Box component="section" sx={{ mt: 2 }}>
          <Typography variant="h2">Courses</Typography>
          <Box
            sx={{
              display: "grid",
              columnGap: 3,
              rowGap: 2,
              mt: 0.5,
              gridTemplateColumns:
                "repeat(auto-fill, minmax(min(100%, 330px), 1fr))",
            }}
          >
            {courses.map((c) => (
              <CourseOffer key={c.rule.of} course={c} passes={passes} />
            ))}
          </Box>
        </Box>
      )}
      <Box component="section" sx={{ mt: 3 }}>
        <Typography variant="h2">Drills, two minutes each</Typography>
        <Box component="ul" sx={{ listStyle: "none", p: 0, m: 0 }}>
          {drills.map((d, i) => (
            <Box
              component="li"
              key={d.kind}
              sx={{
                display: "flex",
                flexWrap: "wrap",
                columnGap: 2,
                py: 0.9,
                borderBottom: 1,
                borderColor: "divider",
              }}
            >
              <Link
                component={To}
                to={`/practice/drills/${d.kind}`}
                sx={{ fontWeight: 650, minWidth: 250 }}
              >
                {drillTitles[i]}
              </Link>
              <span>{againSays(d, new Date())}</span>
            </Box>
          ))}
        </Box>
      </Box>
      {weeks.length > 0 && (
        <Box component="section" sx={{ mt: 3 }}>
          <Typography variant="h2">Week by week</Typography>
          {weeks.map((w) => (
            <Typography key={w.monday} sx={{ py: 0.25 }}>
              <strong>{dayText(w.monday)}</strong>: {weekSays(w)}
            </Typography>
          ))}
        </Box>
      )}
      {done.length > 0 && (
        <Box component="section" sx={{ mt: 3 }}>
          <Typography variant="h2">Handed in</Typography>
          {done.map((e) => (
            <Link
              key={e.id}
              component={To}
              to={`/practice/${e.id}`}
              sx={{ display: "block", py: 0.5 }}
            >
              {Math.round(e.points ?? 0)} points: {e.title}, level {e.level},{" "}
              {dayAndTime(e.handedInAt ?? e.startedAt)}
            </Link>
          ))}
        </Box>
      )}
      {shop !== null && <OfShop passed={shop} />}
    </Box>
  );
}

function CourseOffer({
  course,
  passes,
}: {
  course: Schemas["CourseView"];
  passes: number;
}) {
  const [problem, setProblem] = useState<Error | null>(null);
  // Pressed twice, or sent again after the line broke, it is one exercise.
  const key = useRef(v7());
  const { rule, points } = course;
  const next = Math.max(
    0,
    points.findIndex((p) => p === null || p < passes),
  );
  const begin = async (level: number) => {
    setProblem(null);
    try {
      const { id } = must(
        await api.POST("/api/practice", {
          body: { id: key.current, course: rule.of, level },
        }),
      );
      window.location.assign(`/jobs/${id}/walk-round`);
    } catch (e) {
      setProblem(asError(e));
    }
  };
  return (
    <Box sx={{ borderTop: 3, borderColor: "secondary.main", pt: 1 }}>
      <Typography variant="h3" sx={{ fontSize: "1.15rem", fontWeight: 700 }}>
        {rule.title}
      </Typography>
      <Typography color="text.secondary">about {rule.minutes} min</Typography>
      <Typography sx={{ mt: 0.5 }}>{rule.task}</Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, mt: 1 }}>
        {points.map((p, i) => (
          <Press
            key={i}
            variant={i === next ? "contained" : "outlined"}
            aria-label={`Begin level ${(i + 1).toString()}: ${rule.title}`}
            act={() => begin(i + 1)}
          >
            {i === next ? "Begin level" : "Level"} {i + 1}
            {p !== null &&
              (p >= passes
                ? ` ✓ ${Math.round(p).toString()}`
                : ` · ${Math.round(p).toString()}`)}
          </Press>
        ))}
      </Box>
      <ProblemNote problem={problem} />
    </Box>
  );
}

/** What people of the shop have passed, for its owner. */
function OfShop({ passed }: { passed: Schemas["Passed"][] }) {
  const titles: Record<Schemas["Course"], string> = {
    measure: "Measure",
    level: "Level a pickup",
    wentWrong: "A lift that went wrong",
    ownJob: "One of our own jobs",
  };
  return (
    <Box component="section" sx={{ mt: 3 }}>
      <Typography variant="h2">Who has passed what</Typography>
      {passed.length === 0 ? (
        <Typography>Nobody has passed a level yet.</Typography>
      ) : (
        passed.map((p) => (
          <Typography key={`${p.person} ${p.course}`} sx={{ py: 0.25 }}>
            <strong>{p.person}</strong>, {p.role}: {titles[p.course]}, level{" "}
            {p.level} with {Math.round(p.points)} points, {dayOfYear(p.at)}
          </Typography>
        ))
      )}
    </Box>
  );
}
