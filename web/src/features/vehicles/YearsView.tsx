import Box from "@mui/material/Box";
import Link from "@mui/material/Link";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { Link as To, useParams } from "react-router";
import { api, must, type Schemas } from "../../api/client";
import { Problem } from "../../api/problem";
import { ResultLength } from "../../shared/Length";
import { NeedsNetwork } from "../../shared/NeedsNetwork";
import { dayOfYear } from "../../shared/time";
import { YearsPlot } from "./YearsPlot";
import { agoSays, movedSays } from "./years";

const odometer = (q: Schemas["Quantity"] | null) =>
  q ? `${Math.round(q.value).toLocaleString("en")} ${q.unit}` : null;

/** A vehicle over its years: how it stood, what was fitted, how its springs went down, and every visit. */
export default function YearsView() {
  const { vehicle = "" } = useParams();
  const found = useQuery({
    queryKey: ["vehicle", vehicle],
    retry: false,
    queryFn: async () =>
      must(
        await api.GET("/api/vehicles/{vehicle}", {
          params: { path: { vehicle } },
        }),
      ),
  });
  if (found.isError) {
    return found.error instanceof Problem && found.error.status === 404 ? (
      <Typography component="main" sx={{ p: 4 }}>
        {found.error.message}
      </Typography>
    ) : (
      <NeedsNetwork why={found.error} />
    );
  }
  if (!found.data) {
    return null;
  }
  const v = found.data;
  return (
    <Box
      component="main"
      sx={{ px: { xs: 1.5, sm: 3 }, py: 2, maxWidth: 1280 }}
    >
      <Typography variant="h1">
        {v.make} {v.name}
        {v.plate && `, ${v.plate}`}
      </Typography>
      <Typography color="text.secondary">
        {v.owner} ·{" "}
        {v.visits.length === 1
          ? "one visit"
          : `${String(v.visits.length)} visits`}
      </Typography>
      <YearsPlot years={v.years} />
      <Box
        sx={{
          display: "grid",
          gap: 3,
          mt: 2,
          gridTemplateColumns: {
            xs: "minmax(0,1fr)",
            md: "minmax(0,1.4fr) minmax(0,1fr)",
          },
        }}
      >
        <Box component="section" aria-label="Stages">
          <Typography variant="h2">What was fitted, and how it held</Typography>
          {v.years.stages.toReversed().map((s) => (
            <Stage key={s.stageId} stage={s} />
          ))}
        </Box>
        <Box component="section" aria-label="Visits">
          <Typography variant="h2">Visits</Typography>
          <Box component="ul" sx={{ listStyle: "none", p: 0, m: 0 }}>
            {v.visits.map((j) => (
              <Box
                component="li"
                key={j.jobId}
                sx={{ borderTop: 1, borderColor: "divider", py: 1 }}
              >
                <Link
                  component={To}
                  to={`/jobs/${j.jobId}/${j.handedOverAt ? "hand-over" : "take-in"}`}
                >
                  {dayOfYear(j.takenInAt)}
                </Link>
                {[
                  odometer(j.odometer),
                  j.handedOverAt
                    ? `handed over ${dayOfYear(j.handedOverAt)}`
                    : "here now",
                ]
                  .filter(Boolean)
                  .map((x) => ` · ${x ?? ""}`)
                  .join("")}
                {j.wish && (
                  <Box sx={{ color: "text.secondary" }}>“{j.wish}”</Box>
                )}
              </Box>
            ))}
          </Box>
        </Box>
      </Box>
    </Box>
  );
}

function Stage({ stage: s }: { stage: Schemas["YearStage"] }) {
  const changed = s.axles.filter((a) => a.came.length + a.gone.length > 0);
  const moved = s.axles.filter((a) => a.moved !== null);
  return (
    <Box sx={{ borderTop: 1, borderColor: "divider", py: 1 }}>
      <b>{s.name}</b>
      <Box component="span" sx={{ color: "text.secondary" }}>
        , {dayOfYear(s.openedAt)}
      </Box>
      {changed.map((a) => (
        <div key={a.axle}>
          {a.axle === "front" ? "Front" : "Rear"}:{" "}
          {[
            a.came.length > 0 && `fitted ${a.came.join(", ")}`,
            a.gone.length > 0 && `taken out ${a.gone.join(", ")}`,
          ]
            .filter(Boolean)
            .join("; ")}
          .
        </div>
      ))}
      {moved.map((a) => (
        <div key={a.axle}>
          {a.axle === "front" ? "Front" : "Rear"} {movedSays(a.moved)}
          {a.moved?.value != null && (
            <>
              : <ResultLength result={a.moved} signed />
            </>
          )}{" "}
          in {agoSays(a.days ?? 0)}
        </div>
      ))}
    </Box>
  );
}
