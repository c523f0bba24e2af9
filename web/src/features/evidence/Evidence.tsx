import Box from "@mui/material/Box";
import Link from "@mui/material/Link";
import Typography from "@mui/material/Typography";
import Button from "@mui/material/Button";
import { useInfiniteQuery, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link as To } from "react-router";
import { api, must, type Schemas } from "../../api/client";
import { useUnit } from "../../shared/Length";
import { showText } from "../../shared/length";
import { ClaimPlot } from "./ClaimPlot";
import { LinePlot } from "./LinePlot";
import { OldJobs } from "./OldJobs";
import { familyWords } from "../../api/words";
import { claimsSay, trialKey } from "./evidence";

/** What our own jobs have proved: claims against the tape, and how far an inch of plate really lifts. */
export default function Evidence() {
  const evidence = useQuery({
    queryKey: ["evidence"],
    queryFn: async () => must(await api.GET("/api/evidence")),
  });
  const [chosen, setChosen] = useState<string | null>(null);
  const e = evidence.data;
  if (!e) {
    return null;
  }
  return (
    <Box
      component="main"
      sx={{ px: { xs: 1.5, sm: 3 }, py: 2, maxWidth: 1180 }}
    >
      <Box
        sx={{
          display: "flex",
          flexWrap: "wrap",
          gap: 2,
          alignItems: "baseline",
        }}
      >
        <Typography variant="h1" sx={{ flex: 1 }}>
          Evidence
        </Typography>
        <Link component={To} to="/year">
          The shop’s year
        </Link>
        <Link href="/api/evidence.csv" download>
          All of it as CSV
        </Link>
        <Link href="/api/evidence.csv?plates=true" download>
          with plates
        </Link>
      </Box>
      {e.trials === 0 ? (
        <Typography sx={{ mt: 1 }}>
          Nothing is proved yet. Measure before, fit, roll it, and measure
          again: every job adds a line here by itself.
        </Typography>
      ) : (
        <>
          <Typography color="text.secondary" sx={{ my: 1 }}>
            {claimsSay(e)}
          </Typography>
          <Box
            sx={{
              display: "grid",
              gap: 3,
              gridTemplateColumns: {
                xs: "minmax(0,1fr)",
                md: "minmax(0,440px) minmax(0,1fr)",
              },
            }}
          >
            <ClaimPlot claims={e.drawn} chosen={chosen} onChoose={setChosen} />
            <Lines evidence={e} />
          </Box>
          <Trials count={e.trials} chosen={chosen} onChoose={setChosen} />
        </>
      )}
      <OldJobs />
    </Box>
  );
}

function Lines({ evidence: e }: { evidence: Schemas["EvidenceView"] }) {
  const unit = useUnit();
  return (
    <Box component="section" aria-label="Lift lines">
      <Typography variant="h2">How far a plate really lifts</Typography>
      {e.lines.length === 0 && (
        <Typography>
          No job could teach a line yet; the table below says why.
        </Typography>
      )}
      {e.lines.map((l) => (
        <Box
          key={`${l.platform} ${l.axle} ${l.suspension} ${l.family}`}
          sx={{ borderTop: 1, borderColor: "divider", py: 1 }}
        >
          <Typography sx={{ fontWeight: 700 }}>
            {l.platform}, {l.axle}: {familyWords[l.family]}
          </Typography>
          <Typography>
            <Box component="span" sx={{ fontSize: "1.25rem", fontWeight: 700 }}>
              {l.ratio.mean.toFixed(2)} ± {(2 * l.ratio.sd).toFixed(2)}
            </Box>{" "}
            of its thickness, and {showText(l.offsetMm.mean, unit)} ±{" "}
            {showText(2 * l.offsetMm.sd, unit)} more when it first goes in.
          </Typography>
          <Typography color="text.secondary" sx={{ fontSize: "0.9rem" }}>
            Loaded, as{" "}
            {l.vehicles === 1
              ? "1 vehicle"
              : `${l.vehicles.toString()} vehicles`}{" "}
            really settled in{" "}
            {l.jobs === 1 ? "1 job" : `${l.jobs.toString()} jobs`}; before any,
            kinematic, {l.prior.mean.toFixed(2)} ± {(2 * l.prior.sd).toFixed(2)}
            .
          </Typography>
          <LinePlot line={l} />
          <details>
            <summary>
              {l.steps.length < l.jobs
                ? "How the latest jobs moved it, and those that stand out"
                : "How each job moved it"}
            </summary>
            <Box component="ol" sx={{ pl: 2.5, my: 0.5 }}>
              {l.steps.map((s, i) => (
                <li key={i}>
                  <Link component={To} to={`/jobs/${s.jobId}/prove`}>
                    {s.said}
                  </Link>
                  : expected {showText(s.expectedMm, unit)}, found{" "}
                  {showText(s.foundMm, unit)}. Then {s.ratio.mean.toFixed(2)} ±{" "}
                  {(2 * s.ratio.sd).toFixed(2)}.
                  {s.isOutlier && (
                    <b>
                      {" "}
                      ▲ {Math.abs(s.off).toFixed(1)} times its ± off: look at
                      this job again.
                    </b>
                  )}
                </li>
              ))}
            </Box>
          </details>
        </Box>
      ))}
    </Box>
  );
}

function Trials({
  count,
  chosen,
  onChoose,
}: {
  count: number;
  chosen: string | null;
  onChoose: (key: string | null) => void;
}) {
  const unit = useUnit();
  const trials = useInfiniteQuery({
    queryKey: ["evidence", "trials"],
    queryFn: async ({ pageParam }) =>
      must(
        await api.GET("/api/evidence/trials", {
          params: { query: { after: pageParam } },
        }),
      ),
    initialPageParam: undefined as string | undefined,
    getNextPageParam: (page) => page.next ?? undefined,
  });
  const rows = trials.data?.pages.flatMap((p) => p.trials) ?? [];
  const length = (mm: number | null, u: number | null = null) =>
    mm === null
      ? "–"
      : `${showText(mm, unit, true)}${u === null ? "" : ` ± ${showText(2 * u, unit)}`}`;
  return (
    <Box
      component="section"
      aria-label="Every job"
      sx={{ mt: 3, overflowX: "auto" }}
      tabIndex={0}
    >
      <Typography variant="h2">Every job</Typography>
      <Box component="table" sx={table}>
        <thead>
          <tr>
            <th scope="col">Vehicle</th>
            <th scope="col">Parts</th>
            <th scope="col">Claimed</th>
            <th scope="col">Predicted</th>
            <th scope="col">Measured</th>
            <th scope="col">What it teaches</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((t) => (
            <Box
              component="tr"
              key={trialKey(t)}
              onMouseEnter={() => {
                onChoose(trialKey(t));
              }}
              onMouseLeave={() => {
                onChoose(null);
              }}
              sx={{
                bgcolor: chosen === trialKey(t) ? "action.selected" : undefined,
              }}
            >
              <th scope="row">
                <Link
                  component={To}
                  to={`/jobs/${t.jobId}/prove`}
                  onFocus={() => {
                    onChoose(trialKey(t));
                  }}
                  onBlur={() => {
                    onChoose(null);
                  }}
                >
                  {t.said}
                </Link>
              </th>
              <td>
                {t.axle}: {t.parts.join(" + ") || "taken out"}
              </td>
              <td>{length(t.claimMm)}</td>
              <td>{length(t.predictedMm, t.predictedUMm)}</td>
              <td>{length(t.measuredMm, t.measuredUMm)}</td>
              <td>
                {t.whyNot
                  ? `nothing: ${t.whyNot}`
                  : `the ${t.axle} line of ${familyWords[t.family]}`}
              </td>
            </Box>
          ))}
        </tbody>
      </Box>
      {trials.hasNextPage && (
        <Button
          sx={{ mt: 1 }}
          disabled={trials.isFetchingNextPage}
          onClick={() => void trials.fetchNextPage()}
        >
          Show more of {count}
        </Button>
      )}
    </Box>
  );
}

const table = {
  borderCollapse: "collapse",
  minWidth: 760,
  width: "100%",
  "& th, & td": {
    textAlign: "left",
    py: 0.75,
    pr: 2,
    borderBottom: 1,
    borderColor: "divider",
    verticalAlign: "top",
  },
};
