import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useRef, useState } from "react";
import { Press } from "../../shared/Press";
import { api, must, type Schemas } from "../../api/client";
import { useJob, useSend } from "../../api/job";
import { asError, ProblemNote } from "../../shared/ProblemNote";

/** Readings out and in as CSV; nothing is stored before every row was seen. */
export function CsvPanel({ round }: { round: Schemas["WalkRound"] }) {
  const job = useJob().document.job.id;
  const send = useSend();
  const input = useRef<HTMLInputElement>(null);
  const [preview, setPreview] = useState<Schemas["CsvPreview"] | null>(null);
  const [problem, setProblem] = useState<Error | null>(null);
  const look = async (file: File) => {
    setProblem(null);
    try {
      const text = await file.text();
      setPreview(
        must(
          await api.POST("/api/jobs/{job}/readings-csv/preview", {
            params: { path: { job } },
            body: { walkRoundId: round.id, csv: text },
          }),
        ),
      );
    } catch (e) {
      setProblem(asError(e));
    }
  };
  const store = async ({ heights, measures }: Schemas["CsvPreview"]) => {
    setProblem(null);
    try {
      await send(
        { kind: "bringInReadings", heights, measures },
        "readings from a file",
      );
      setPreview(null);
    } catch (e) {
      setProblem(asError(e));
    }
  };
  return (
    <Box component="details" sx={{ mt: 2 }}>
      <Typography component="summary" sx={{ py: 1.25, fontWeight: 650 }}>
        Readings out and in as a file
      </Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}>
        <Button
          variant="outlined"
          href={`/api/jobs/${job}/readings.csv`}
          download
        >
          Readings as CSV
        </Button>
        <input
          ref={input}
          type="file"
          accept=".csv,text/csv"
          aria-label="File of readings"
          hidden
          onChange={(e) => {
            const file = e.target.files?.[0];
            e.target.value = "";
            if (file) {
              void look(file);
            }
          }}
        />
        <Button variant="outlined" onClick={() => input.current?.click()}>
          Bring readings into this round…
        </Button>
      </Box>
      <ProblemNote problem={problem} />
      {preview?.problem && (
        <Typography role="alert" sx={{ color: "error.main", mt: 1 }}>
          ■ {preview.problem}
        </Typography>
      )}
      {preview && !preview.problem && (
        <Box sx={{ mt: 1 }}>
          <Typography role="status">
            {preview.good} of {preview.rows.length} rows can be stored. Nothing
            is stored yet.
          </Typography>
          <Box
            component="ul"
            sx={{ maxHeight: 260, overflowY: "auto", pl: 2.5 }}
          >
            {preview.rows.map((r) => (
              <li key={r.line}>
                Line {r.line}: {r.shows}{" "}
                {r.problem !== null ? (
                  <Box component="span" sx={{ color: "error.main" }}>
                    ■ {r.problem}
                  </Box>
                ) : r.isHere ? (
                  <Box component="span" sx={{ color: "text.secondary" }}>
                    is here already
                  </Box>
                ) : (
                  "● good"
                )}
              </li>
            ))}
          </Box>
          <Press
            variant="contained"
            disabled={preview.good === 0}
            act={() => store(preview)}
          >
            Store {preview.good} rows
          </Press>
        </Box>
      )}
    </Box>
  );
}
