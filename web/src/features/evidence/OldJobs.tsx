import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { Link } from "react-router";
import { api, must, type Schemas } from "../../api/client";
import { useUnit } from "../../shared/Length";
import { showText, type LengthUnit } from "../../shared/length";
import { Press } from "../../shared/Press";
import { asError, ProblemNote } from "../../shared/ProblemNote";

/** Jobs of the years before come in as a table; it is looked at before anything of it is stored. */
export function OldJobs() {
  const client = useQueryClient();
  const unit = useUnit();
  const picker = useRef<HTMLInputElement>(null);
  const [text, setText] = useState("");
  const [report, setReport] = useState<Schemas["OldJobsLook"] | null>(null);
  const [stored, setStored] = useState(false);
  const [problem, setProblem] = useState<Error | null>(null);
  const attempt = async (act: () => Promise<void>) => {
    setProblem(null);
    try {
      await act();
    } catch (e) {
      setProblem(asError(e));
    }
  };
  const look = (table: string) =>
    attempt(async () => {
      setReport(
        must(await api.POST("/api/old-jobs/look", { body: { text: table } })),
      );
      setText(table);
      setStored(false);
    });
  // Sent twice it comes in once: the same line has the same key.
  const bring = () =>
    attempt(async () => {
      setReport(must(await api.POST("/api/old-jobs", { body: { text } })));
      setStored(true);
      await client.invalidateQueries();
    });
  return (
    <Box component="section" aria-label="Old jobs" sx={{ mt: 4 }}>
      <Typography variant="h2">Old jobs from paper</Typography>
      <Typography color="text.secondary" sx={{ maxWidth: 720 }}>
        A line a job: what went in at one axle, heights before and after. They
        are marked told, and teach as little as heights deserve of which nobody
        noted tank, load and tape.
      </Typography>
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", mt: 1 }}>
        <Button variant="outlined" href="/api/old-jobs.csv" download>
          An empty table
        </Button>
        <Button
          variant="outlined"
          onClick={() => {
            picker.current?.click();
          }}
        >
          Look at a table
        </Button>
        <input
          ref={picker}
          type="file"
          accept=".csv,text/csv"
          aria-label="Table of old jobs"
          hidden
          onChange={(e) => {
            const file = e.target.files?.[0];
            e.target.value = "";
            if (file) {
              void file.text().then(look);
            }
          }}
        />
      </Box>
      <ProblemNote problem={problem} />
      {report?.problem && (
        <Typography role="alert" sx={{ color: "error.main", mt: 1 }}>
          ■ {report.problem} Nothing was stored.
        </Typography>
      )}
      {report && report.problem === null && (
        <Box sx={{ mt: 1 }}>
          <Typography role="status" sx={{ fontWeight: 600 }}>
            {stored
              ? `✓ ${report.new.toString()} brought in.`
              : `${report.new.toString()} can be brought in.`}
          </Typography>
          <ul>
            {report.lines.map((l) => (
              <li key={l.line}>
                {l.problem ? (
                  `▲ Line ${l.line.toString()}: ${[l.shows, l.problem].filter(Boolean).join(". ")}`
                ) : (
                  <>
                    {(l.here || stored) && l.jobId ? (
                      <Link to={`/jobs/${l.jobId}/prove`}>{l.shows}</Link>
                    ) : (
                      l.shows
                    )}
                    : {teaches(l, unit)}
                    {l.here && " It is here already."}
                  </>
                )}
              </li>
            ))}
          </ul>
          {!stored && report.new > 0 && (
            <Press variant="contained" act={bring}>
              Bring {report.new === 1 ? "it" : `these ${report.new.toString()}`}{" "}
              in
            </Press>
          )}
        </Box>
      )}
    </Box>
  );
}

/** What a line teaches, or why nothing. */
function teaches(l: Schemas["OldJobsLine"], unit: LengthUnit): string {
  return l.teaches
    ? `lifted ${showText(l.teaches.mean, unit)} ± ${showText(2 * l.teaches.sd, unit)} by itself.`
    : `teaches nothing. ${l.whyNot ?? ""}`;
}
