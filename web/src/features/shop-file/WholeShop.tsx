import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { asked } from "../../api/asked";
import type { Schemas } from "../../api/client";
import { Problem } from "../../api/problem";
import { asError } from "../../shared/ProblemNote";

/** The whole shop out as one zip of open files, and back into an empty shop. */
export function WholeShop() {
  const input = useRef<HTMLInputElement>(null);
  const client = useQueryClient();
  const [busy, setBusy] = useState(false);
  const [error, setError] = useState<Error | null>(null);
  const [back, setBack] = useState<Schemas["BroughtBack"] | null>(null);
  const bring = async (from: File) => {
    setBusy(true);
    setError(null);
    setBack(null);
    try {
      const response = await asked("/api/shop/file", {
        method: "POST",
        headers: { "Content-Type": "application/zip" },
        body: from,
      });
      const body: unknown = await response.json();
      if (!response.ok) {
        throw Problem.of(response.status, body);
      }
      setBack(body as Schemas["BroughtBack"]);
      await client.invalidateQueries();
    } catch (e) {
      setError(asError(e));
    } finally {
      setBusy(false);
    }
  };
  return (
    <Box component="section">
      <Typography variant="h2">The whole shop as a file</Typography>
      <Typography sx={{ mt: 1 }}>
        One zip: every job with its history, photographs, shelf, owners,
        settings and people, in open formats. ▲ Names, phones and plates are in
        it: keep it where strangers do not look.
      </Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, my: 1.5 }}>
        <Button variant="outlined" href="/api/shop/file" download>
          Take it out
        </Button>
        <input
          ref={input}
          type="file"
          aria-label="A whole shop"
          accept=".zip"
          hidden
          onChange={(e) => {
            const chosen = e.target.files?.[0];
            e.target.value = "";
            if (chosen) {
              void bring(chosen);
            }
          }}
        />
        <Button
          color="inherit"
          disabled={busy}
          onClick={() => input.current?.click()}
        >
          {busy ? "Bringing it in…" : "Bring one in, into an empty shop"}
        </Button>
      </Box>
      {error && (
        <Typography role="alert" color="error">
          {error instanceof Problem && error.field.length > 1 && (
            <code>{error.field}: </code>
          )}
          {error.message}
        </Typography>
      )}
      {back && (
        <Typography role="status">
          ✓ {back.jobs} jobs, {back.parts} parts and {back.photographs}{" "}
          photographs are here. Its people come in with a link each: “Forgot the
          password”, above.
          {back.notTaken.length > 0 &&
            ` Somebody here has the name already: ${back.notTaken.join(", ")}; they stay names on the record.`}
        </Typography>
      )}
    </Box>
  );
}
