import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { useNavigate } from "react-router";
import { Press } from "../../shared/Press";
import { asked } from "../../api/asked";
import { Problem } from "../../api/problem";
import { asError } from "../../shared/ProblemNote";
import { whyNoJobFile } from "./jobFile";

/** Brings in a job file, or a zip with photographs. A job that is here already is brought in as a copy only when asked. */
export function ImportJob() {
  const input = useRef<HTMLInputElement>(null);
  const [file, setFile] = useState<File | null>(null);
  const [error, setError] = useState<Error | null>(null);
  const [busy, setBusy] = useState(false);
  const navigate = useNavigate();
  const client = useQueryClient();

  const bring = async (from: File, copy: boolean) => {
    setFile(from);
    setError(null);
    setBusy(true);
    try {
      const why = await whyNoJobFile(from);
      if (why !== null) {
        throw new Error(why);
      }
      const response = await asked(
        `/api/job-files?copy=${copy ? "true" : "false"}`,
        {
          method: "POST",
          headers: {
            "Content-Type": from.name.endsWith(".zip")
              ? "application/zip"
              : "application/json",
          },
          body: from,
        },
      );
      const body: unknown = await response.json().catch(() => null);
      if (!response.ok) {
        throw Problem.of(response.status, body);
      }
      await client.invalidateQueries({ queryKey: ["yard"] });
      await navigate(`/jobs/${(body as { jobId: string }).jobId}/prove`);
    } catch (e) {
      setError(asError(e));
    } finally {
      setBusy(false);
    }
  };

  return (
    <Box>
      <input
        ref={input}
        type="file"
        aria-label="Job file"
        accept=".json,.zip"
        hidden
        onChange={(e) => {
          const chosen = e.target.files?.[0];
          e.target.value = "";
          if (chosen) {
            void bring(chosen, false);
          }
        }}
      />
      <Button
        variant="outlined"
        disabled={busy}
        onClick={() => input.current?.click()}
      >
        {busy ? "Bringing it in …" : "Bring in a job file"}
      </Button>
      {error && file && (
        <Box role="alert" sx={{ mt: 1, maxWidth: 420 }}>
          {error instanceof Problem && error.field.startsWith("$") && (
            <Box component="code">{error.field}: </Box>
          )}
          {error.message}{" "}
          {error instanceof Problem && error.field === "id" && (
            <>
              <Press variant="outlined" act={() => bring(file, true)}>
                Bring in a copy
              </Press>
              <Button
                onClick={() => {
                  setError(null);
                }}
              >
                Not now
              </Button>
            </>
          )}
        </Box>
      )}
    </Box>
  );
}
