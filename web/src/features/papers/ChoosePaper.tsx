import Box from "@mui/material/Box";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useState, type ReactNode } from "react";
import { Press } from "../../shared/Press";
import { asError, ProblemNote } from "../../shared/ProblemNote";
import type { Size } from "./paperPdf";

/** Where papers of Letter size lie in the printers. */
const letter = /^(en-US|en-CA|es-MX|fr-CA)$/;

/** Which paper lies in the printer, and the press that writes a PDF for it. */
export function ChoosePaper({
  save,
  children,
}: {
  save: (size: Size) => Promise<void>;
  /** What else can be saved. */
  children?: ReactNode;
}) {
  const [size, setSize] = useState<Size>(
    letter.test(navigator.language) ? "LETTER" : "A4",
  );
  const [problem, setProblem] = useState<Error | null>(null);
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
      <Press
        variant="outlined"
        act={async () => {
          setProblem(null);
          await save(size).catch((e: unknown) => {
            setProblem(asError(e));
          });
        }}
      >
        Save as PDF
      </Press>
      {children}
      <ProblemNote problem={problem} />
    </Box>
  );
}
