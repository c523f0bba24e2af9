import Box from "@mui/material/Box";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { v7 } from "uuid";
import type { Schemas } from "../../api/client";
import { useJob, useSend } from "../../api/job";
import { asError, ProblemNote } from "../../shared/ProblemNote";

/** The ways that good fitters differ on: this job's choice, and what each disturbs. The card follows at once. */
export function Ways() {
  const { ways } = useJob().fitting;
  return (
    <Box component="section" sx={{ mt: 2 }}>
      <details>
        <summary>
          <Typography variant="h2" component="span">
            Ways of fitting on this job
          </Typography>
        </summary>
        <Box sx={{ display: "grid", gap: 1.25, mt: 1 }}>
          {ways.map((way) => (
            <Way key={way.school} way={way} />
          ))}
        </Box>
      </details>
    </Box>
  );
}

function Way({ way }: { way: Schemas["FittingWay"] }) {
  const send = useSend();
  const [problem, setProblem] = useState<Error | null>(null);
  const choose = async (choice: string) => {
    setProblem(null);
    try {
      await send(
        {
          kind: "chooseSchool",
          id: v7(),
          school: way.school,
          choice,
          why: null,
        },
        way.asks,
      );
    } catch (e) {
      setProblem(asError(e));
    }
  };
  return (
    <Box>
      <TextField
        select
        fullWidth
        label={way.asks}
        value={way.choice}
        helperText={
          way.ways.find((w) => w.choice === way.choice)?.disturbs ?? ""
        }
        onChange={(e) => void choose(e.target.value)}
      >
        {way.ways.map((w) => (
          <MenuItem key={w.choice} value={w.choice}>
            {w.said}
          </MenuItem>
        ))}
      </TextField>
      <ProblemNote problem={problem} />
    </Box>
  );
}
