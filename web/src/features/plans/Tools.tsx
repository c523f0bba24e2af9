import Box from "@mui/material/Box";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import Typography from "@mui/material/Typography";
import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { v7 } from "uuid";
import type { Schemas } from "../../api/client";
import { shop } from "../../api/job";
import { asError, ProblemNote } from "../../shared/ProblemNote";

/** Tools of the card: what the shop does not have is got before the vehicle goes up. */
export function Tools({ tools }: { tools: Schemas["ToolLine"][] }) {
  const client = useQueryClient();
  const [problem, setProblem] = useState<Error | null>(null);
  const note = async (tool: string, lacking: boolean) => {
    setProblem(null);
    try {
      await shop({ kind: "noteTool", id: v7(), tool, lacking });
    } catch (e) {
      setProblem(asError(e));
    }
    await client.invalidateQueries({ queryKey: ["parts", "shopping"] });
  };
  return (
    <Box component="section" className="no-print" sx={{ mt: 3 }}>
      <Typography variant="h2">Tools of this card</Typography>
      <Typography color="text.secondary">
        Untick what the shop does not have: it comes on the list, of this plan
        and of every other.
      </Typography>
      <Box sx={{ columns: { sm: 2 }, columnGap: 2 }}>
        {tools.map((t) => (
          <FormControlLabel
            key={t.tool}
            sx={{ display: "flex", breakInside: "avoid" }}
            label={t.tool}
            control={
              <Checkbox
                checked={!t.lacking}
                onChange={(_, on) => void note(t.tool, !on)}
              />
            }
          />
        ))}
      </Box>
      <ProblemNote problem={problem} />
    </Box>
  );
}
