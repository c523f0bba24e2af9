import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useRef, useState } from "react";
import { v7 } from "uuid";
import { useJob, useSend } from "../../api/job";
import { asked, Unreachable } from "../../api/asked";
import type { Schemas } from "../../api/client";
import { Problem } from "../../api/problem";
import { forKeeping } from "../../shared/photograph";
import { asError, ProblemNote } from "../../shared/ProblemNote";

/** Photographs of the job: of the vehicle, and of single readings, marks and places. */
export function Photographs() {
  const d = useJob().document;
  return (
    <Box component="section" sx={{ mt: 2.5 }}>
      <Typography variant="h2">Photographs</Typography>
      <Typography color="text.secondary">
        Made smaller on this device before they are sent (2,000 pixels, at most
        8 MB); where they were taken is left out.
      </Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, my: 1 }}>
        {d.attachments.map((a) => (
          <figure key={a.id} style={{ margin: 0 }}>
            <img
              src={`/api/files/${a.sha256}`}
              alt={a.caption ?? "Photograph"}
              style={{ height: 110, border: "1px solid" }}
            />
            <figcaption style={{ maxWidth: 170, fontSize: "0.85rem" }}>
              {a.caption}
            </figcaption>
          </figure>
        ))}
      </Box>
      <PhotographButton of={null} caption={null} label="Add a photograph" />
    </Box>
  );
}

/** Takes or chooses a photograph of one thing and shows how many there are. */
export function PhotographButton({
  of,
  caption,
  label,
}: {
  /** What it belongs to: "reading:…", "mark:…", "place:LF …"; null is the vehicle. */
  of: string | null;
  /** What it shows; null takes the name of the file. */
  caption: string | null;
  label?: string;
}) {
  const d = useJob().document;
  const send = useSend();
  const input = useRef<HTMLInputElement>(null);
  const [problem, setProblem] = useState<Error | null>(null);
  const mine = of === null ? [] : d.attachments.filter((a) => a.of === of);

  const add = async (file: File) => {
    setProblem(null);
    try {
      const kept = await forKeeping(file);
      const response = await asked("/api/files", {
        method: "POST",
        headers: { "Content-Type": kept.type },
        body: kept,
      });
      const body: unknown = await response.json();
      if (!response.ok) {
        throw Problem.of(response.status, body);
      }
      const { sha256, mediaType } = body as Schemas["KeptFile"];
      await send(
        {
          kind: "addPhotograph",
          id: v7(),
          sha256,
          mediaType,
          of,
          caption: caption ?? file.name,
        },
        "a photograph",
      );
    } catch (e) {
      setProblem(
        e instanceof Problem
          ? e
          : new Error(
              e instanceof Unreachable
                ? "The server cannot be reached: photographs wait for the network."
                : asError(e).message,
            ),
      );
    }
  };

  return (
    <>
      {mine.map((a) => (
        <a key={a.id} href={`/api/files/${a.sha256}`} target="_blank">
          <img
            src={`/api/files/${a.sha256}`}
            alt={a.caption ?? "Photograph"}
            style={{ height: 48, border: "1px solid", display: "block" }}
          />
        </a>
      ))}
      <input
        ref={input}
        type="file"
        aria-label={caption ? `Photograph of ${caption}` : "Photograph"}
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
      <Button
        size={label ? "medium" : "small"}
        variant={label ? "outlined" : "text"}
        color={label ? "primary" : "inherit"}
        aria-label={label ?? `Photo of ${caption ?? "this"}`}
        onClick={() => input.current?.click()}
      >
        {label ?? "Photo"}
      </Button>
      <ProblemNote problem={problem} />
    </>
  );
}
