import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useRef, useState } from "react";
import { v7 } from "uuid";
import { outbox, useJob } from "../../api/job";
import type { JobView } from "../../api/client";
import { Problem } from "../../api/problem";
import { asError, ProblemNote } from "../../shared/ProblemNote";

/** Photographs of the job, stored as they are and exported with it. */
export function Photographs() {
  const d = useJob().document;
  const input = useRef<HTMLInputElement>(null);
  const [problem, setProblem] = useState<Error | null>(null);

  const add = async (file: File) => {
    setProblem(null);
    try {
      const response = await fetch(
        `/api/jobs/${d.job.id}/photographs?commandId=${v7()}&id=${v7()}&caption=${encodeURIComponent(file.name)}`,
        { method: "POST", headers: { "Content-Type": file.type }, body: file },
      );
      const body: unknown = await response.json();
      if (!response.ok) {
        throw Problem.of(response.status, body);
      }
      outbox.onStored(body as JobView);
    } catch (e) {
      setProblem(asError(e));
    }
  };

  return (
    <Box component="section" sx={{ mt: 2.5 }}>
      <Typography variant="h2">Photographs</Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, my: 1 }}>
        {d.attachments.map((a) => (
          <img
            key={a.id}
            src={`/api/files/${a.sha256}`}
            alt={a.caption ?? "Photograph"}
            style={{ height: 110, border: "1px solid" }}
          />
        ))}
      </Box>
      <input
        ref={input}
        type="file"
        aria-label="Photograph"
        accept="image/jpeg,image/png,image/webp"
        hidden
        onChange={(e) => {
          const file = e.target.files?.[0];
          e.target.value = "";
          if (file) {
            void add(file);
          }
        }}
      />
      <Button variant="outlined" onClick={() => input.current?.click()}>
        Add a photograph
      </Button>
      <ProblemNote problem={problem} />
    </Box>
  );
}
