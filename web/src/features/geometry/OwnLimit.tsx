import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { v7 } from "uuid";
import { shop, useJob, useSeenVersion, useSend } from "../../api/job";
import { useUnit } from "../../shared/Length";
import { Press } from "../../shared/Press";
import { asError, at, ProblemNote } from "../../shared/ProblemNote";
import { typed } from "../../shared/quantity";
import { figureText, titleOf, type Mechanism } from "./geometry";

/** The rule of thumb with where it comes from, and the own limit that stands instead of it: for this job, or for all that are taken in from now on. */
export function OwnLimit({ mechanism }: { mechanism: Mechanism }) {
  const d = useJob().document;
  const unit = useUnit();
  const send = useSend();
  const seen = useSeenVersion(d.job.id);
  const [text, setText] = useState<string | null>(null);
  const [problem, setProblem] = useState<Error | null>(null);
  const [kept, setKept] = useState(false);
  const { rule, limit } = mechanism;
  if (rule === null || limit === null) {
    return null;
  }
  const typedIn = rule.unit === "mm" ? unit : rule.unit;
  const set = async (most: string, forShop: boolean) => {
    setProblem(null);
    setKept(false);
    const own = most.trim() === "" ? null : typed(most, typedIn, "told");
    try {
      seen.saved(
        await send(
          {
            kind: "setLimit",
            version: seen.version,
            of: mechanism.kind,
            most: own,
          },
          `Limit, ${titleOf(mechanism).toLowerCase()} ${most}`,
        ),
      );
      if (forShop) {
        await shop({
          kind: "keepLimit",
          id: v7(),
          of: mechanism.kind,
          most: own,
        });
        setKept(true);
      }
      setText(null);
    } catch (e) {
      setProblem(asError(e));
    }
  };
  return (
    <Box sx={{ my: 1 }}>
      <Typography>
        {rule.least ? "To be left, at least" : "Left alone within"}{" "}
        {mechanism.limitIsRule ? (
          <>
            {figureText(limit, rule.unit, unit)}, a rule of thumb: {rule.from}.
          </>
        ) : (
          <>
            <b>{figureText(limit, rule.unit, unit)}</b>, our own limit; the rule
            of thumb is {figureText(rule.most, rule.unit, unit)}: {rule.from}.
          </>
        )}{" "}
        {text === null && (
          <Button
            size="small"
            onClick={() => {
              setText("");
              setKept(false);
            }}
          >
            Another limit
          </Button>
        )}
      </Typography>
      {text !== null && (
        <Box
          sx={{
            display: "flex",
            flexWrap: "wrap",
            alignItems: "start",
            gap: 1,
            mt: 0.5,
          }}
        >
          <TextField
            label={`${rule.least ? "Least" : "Most"}, ${typedIn === "1" ? "of 100" : typedIn}`}
            value={text}
            autoFocus
            placeholder="empty: the rule of thumb"
            onChange={(e) => {
              setText(e.target.value);
            }}
            slotProps={{ inputLabel: { shrink: true } }}
            sx={{ width: 210 }}
            {...at(problem, "most")}
          />
          <Press variant="outlined" act={() => set(text, false)}>
            For this job
          </Press>
          <Press color="inherit" act={() => set(text, true)}>
            For the shop too
          </Press>
          <Button
            color="inherit"
            onClick={() => {
              setText(null);
              setProblem(null);
            }}
          >
            Leave it
          </Button>
        </Box>
      )}
      {kept && (
        <Typography role="status">
          ✓ Kept for the jobs that are taken in from now on, too.
        </Typography>
      )}
      {!at(problem, "most").error && <ProblemNote problem={problem} />}
    </Box>
  );
}
