import Box from "@mui/material/Box";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import Typography from "@mui/material/Typography";
import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { shop, useJob, useMe } from "../../api/job";
import { asError, ProblemNote } from "../../shared/ProblemNote";
import { Surely } from "../../shared/Surely";

/** Takes out of every record who this owner is; for the shop's owners alone. */
export function EraseOwner() {
  const { owner } = useJob().document;
  const me = useMe().data;
  const client = useQueryClient();
  const [photographs, setPhotographs] = useState(false);
  const [problem, setProblem] = useState<Error | null>(null);
  const [done, setDone] = useState(false);
  if (me?.role !== "owner") {
    return null;
  }
  return (
    <Box component="section" sx={{ mt: 3 }}>
      <details>
        <summary>
          <Typography variant="h2" component="span">
            Erase the owner’s data
          </Typography>
        </summary>
        <Typography sx={{ mt: 1 }}>
          ▲ Name, contact, plates, VINs and who agreed go out of all jobs of{" "}
          <b>{owner.name}</b> and cannot be brought back. What was measured and
          fitted stays, without them. Look yourself through wishes and notes:
          they are free text and stay. A device that opened such a job keeps its
          copy until it opens it again.
        </Typography>
        <FormControlLabel
          label="The photographs of their jobs, too"
          control={
            <Checkbox
              checked={photographs}
              onChange={(e) => {
                setPhotographs(e.target.checked);
              }}
            />
          }
        />
        <Box>
          <Surely
            size="medium"
            says="Erase it"
            sure={`Erase ${owner.name} for good: yes`}
            act={async () => {
              setProblem(null);
              try {
                await shop({ kind: "eraseOwner", id: owner.id, photographs });
                setDone(true);
                await client.invalidateQueries();
              } catch (e) {
                setProblem(asError(e));
              }
            }}
          />
        </Box>
        <ProblemNote problem={problem} />
        {done && <Typography role="status">✓ Erased.</Typography>}
      </details>
    </Box>
  );
}
