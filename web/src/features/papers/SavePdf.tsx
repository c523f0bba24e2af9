import Box from "@mui/material/Box";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { Press } from "../../shared/Press";
import { asError, ProblemNote } from "../../shared/ProblemNote";
import type { Size } from "./paperPdf";

/** What a paper's file is called. */
export const fileOf = (paper: Pick<Schemas["Paper"], "title" | "heading">) =>
  `${paper.title} ${paper.heading}`
    .toLowerCase()
    .replaceAll(/[^\p{L}\p{N}]+/gu, "-")
    .replaceAll(/^-|-$/g, "") + ".pdf";

/** Where papers of Letter size lie in the printers. */
const letter = /^(en-US|en-CA|es-MX|fr-CA)$/;

/** Writes a paper as PDF; what writes it is fetched when it is asked for. */
export function SavePdf({
  paper,
  address,
  fetchPicture,
}: {
  paper: Schemas["Paper"];
  /** What its code opens; null is none. */
  address: string | null;
  fetchPicture: (sha256: string) => Promise<Blob>;
}) {
  const [size, setSize] = useState<Size>(
    letter.test(navigator.language) ? "LETTER" : "A4",
  );
  const [problem, setProblem] = useState<Error | null>(null);
  const save = async () => {
    setProblem(null);
    try {
      const { paperPdf } = await import("./paperPdf").catch(() => {
        throw new Error(
          "What writes the PDF is not on this device yet: it needs the network once. Print it instead.",
        );
      });
      const pictures = new Map<string, string>();
      for (const { sha256 } of paper.sections.flatMap((s) => s.pictures)) {
        // One that does not come is left out: its caption stands.
        const picture = await fetchPicture(sha256)
          .then(asJpeg)
          .catch(() => null);
        if (picture) {
          pictures.set(sha256, picture);
        }
      }
      const file = await paperPdf(paper, size, address, pictures);
      const url = URL.createObjectURL(file);
      const link = document.createElement("a");
      link.href = url;
      link.download = fileOf(paper);
      link.click();
      URL.revokeObjectURL(url);
    } catch (e) {
      setProblem(asError(e));
    }
  };
  return (
    <Box
      sx={{ display: "flex", flexWrap: "wrap", gap: 1, alignItems: "center" }}
    >
      <TextField
        select
        fullWidth={false}
        size="small"
        label="Paper"
        value={size}
        onChange={(e) => {
          setSize(e.target.value as Size);
        }}
        sx={{ width: 110 }}
      >
        <MenuItem value="A4">A4</MenuItem>
        <MenuItem value="LETTER">Letter</MenuItem>
      </TextField>
      <Press variant="outlined" act={save}>
        Save as PDF
      </Press>
      <ProblemNote problem={problem} />
    </Box>
  );
}

/** A photograph as it stands on paper: 900 pixels are enough there, and WebP is not read by every reader of PDF. */
async function asJpeg(picture: Blob): Promise<string> {
  const bitmap = await createImageBitmap(picture);
  const scale = Math.min(1, 900 / Math.max(bitmap.width, bitmap.height));
  const canvas = document.createElement("canvas");
  canvas.width = Math.round(bitmap.width * scale);
  canvas.height = Math.round(bitmap.height * scale);
  canvas.getContext("2d")?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  return canvas.toDataURL("image/jpeg", 0.8);
}
