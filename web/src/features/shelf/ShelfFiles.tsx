import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { v7 } from "uuid";
import { Press } from "../../shared/Press";
import { api, must, type Schemas } from "../../api/client";
import { shop } from "../../api/job";
import { asError, ProblemNote } from "../../shared/ProblemNote";

const does: Record<string, string> = {
  new: "new",
  changed: "changes what is here",
  same: "is here already, alike",
};

/** The shelf out and in as a file. A file is looked at before anything of it is stored. */
export function ShelfFiles() {
  const client = useQueryClient();
  const picker = useRef<HTMLInputElement>(null);
  const [report, setReport] = useState<Schemas["ShelfLook"] | null>(null);
  /** Key of the command that reads this file in: pressed twice it is stored once. */
  const [key, setKey] = useState("");
  const [stored, setStored] = useState(false);
  const [problem, setProblem] = useState<Error | null>(null);
  const look = async (text: string) => {
    setProblem(null);
    try {
      setReport(must(await api.POST("/api/parts/look", { body: { text } })));
      setKey(v7());
      setStored(false);
    } catch (e) {
      setProblem(asError(e));
    }
  };
  const store = async ({ parts, whole }: Schemas["ShelfLook"]) => {
    setProblem(null);
    try {
      await shop({ kind: "readInShelf", parts, whole }, key);
      setStored(true);
      await client.invalidateQueries({ queryKey: ["parts"] });
    } catch (e) {
      setProblem(asError(e));
    }
  };
  const good = report ? report.new + report.changed : 0;
  return (
    <Box component="section" sx={{ mt: 3 }}>
      <Typography variant="h2">The shelf as a file</Typography>
      <Typography color="text.secondary">
        CSV for a spreadsheet, JSON with everything. Read in, a part is known by
        its number and name; nothing on the shelf is taken off by a file.
      </Typography>
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", mt: 1 }}>
        <Button variant="outlined" href="/api/parts.csv" download>
          Out as CSV
        </Button>
        <Button variant="outlined" href="/api/parts.json" download>
          Out as JSON
        </Button>
        <Button
          variant="outlined"
          onClick={() => {
            picker.current?.click();
          }}
        >
          Look at a file
        </Button>
        <input
          ref={picker}
          type="file"
          accept=".csv,.json,text/csv,application/json"
          aria-label="File of parts"
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
              ? `✓ Stored: ${report.new.toString()} new, ${report.changed.toString()} changed.`
              : `${report.new.toString()} new, ${report.changed.toString()} would change.`}
          </Typography>
          <ul>
            {report.lines.map((l) => (
              <li key={l.line}>
                {l.problem
                  ? `▲ Line ${l.line.toString()}: ${[l.shows, l.problem].filter(Boolean).join(". ")}`
                  : `${l.shows}: ${does[l.does ?? ""] ?? ""}`}
              </li>
            ))}
          </ul>
          {!stored && good > 0 && (
            <Press variant="contained" act={() => store(report)}>
              Store these {good}
            </Press>
          )}
        </Box>
      )}
    </Box>
  );
}
