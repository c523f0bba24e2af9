import Box from "@mui/material/Box";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Press } from "../../shared/Press";
import type { Schemas } from "../../api/client";
import { useJob, useSend } from "../../api/job";
import { fateWords } from "../../api/words";
import { asError, ProblemNote } from "../../shared/ProblemNote";

/** What came off and is not back. Every line is closed by its fate. */
export function OffLedger({ plan }: { plan: string }) {
  const d = useJob().document;
  const lines = d.offLines.filter((o) => o.planId === plan);
  const open = lines.filter((o) => o.fate === null);
  return (
    <Box component="section" sx={{ mt: 3 }}>
      <Typography variant="h2">
        Off and on:{" "}
        {open.length === 0 ? "nothing open" : `${open.length.toString()} open`}
      </Typography>
      <Box component="ul" sx={{ listStyle: "none", p: 0, m: 0 }}>
        {open.map((line) => (
          <Line key={line.id} line={line} />
        ))}
      </Box>
      {lines.length > open.length && (
        <details>
          <summary>{lines.length - open.length} closed</summary>
          <ul>
            {lines
              .filter((o) => o.fate !== null)
              .map((o) => (
                <li key={o.id}>
                  {o.what}: {o.fate && fateWords[o.fate]}
                </li>
              ))}
          </ul>
        </details>
      )}
    </Box>
  );
}

function Line({ line }: { line: Schemas["OffLine"] }) {
  const send = useSend();
  const [problem, setProblem] = useState<Error | null>(null);
  const close = async (fate: Schemas["Fate"]) => {
    try {
      await send(
        { kind: "closeOffLine", id: line.id, fate, note: null },
        line.what,
      );
    } catch (e) {
      setProblem(asError(e));
    }
  };
  return (
    <Box
      component="li"
      sx={{
        display: "flex",
        flexWrap: "wrap",
        alignItems: "center",
        gap: 1,
        py: 0.5,
        borderBottom: 1,
        borderColor: "divider",
      }}
    >
      <Box sx={{ flex: "1 1 150px" }}>{line.what}</Box>
      <Press
        variant="outlined"
        aria-label={`Back on: ${line.what}`}
        act={() => close("refitHere")}
      >
        Back on
      </Press>
      <TextField
        select
        label="or else"
        aria-label={`Other fate of ${line.what}`}
        value=""
        sx={{ width: 130 }}
        onChange={(e) => void close(e.target.value as Schemas["Fate"])}
      >
        {(Object.keys(fateWords) as Schemas["Fate"][])
          .filter((f) => f !== "refitHere")
          .map((f) => (
            <MenuItem key={f} value={f}>
              {fateWords[f]}
            </MenuItem>
          ))}
      </TextField>
      <ProblemNote problem={problem} />
    </Box>
  );
}
