import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { Problem } from "../api/problem";

/** A refusal or a question, at the place where it arose. */
export function ProblemNote({
  problem,
  onChoose,
}: {
  problem: Error | null;
  onChoose?: (key: string) => void;
}) {
  if (!problem) {
    return null;
  }
  const choices = problem instanceof Problem ? problem.choices : [];
  return (
    <Alert
      severity={choices.length > 0 ? "warning" : "error"}
      variant="outlined"
      sx={{ color: "text.primary" }}
    >
      {problem.message}
      {choices.length > 0 && onChoose && (
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, mt: 1 }}>
          {choices.map((c) => (
            <Button
              key={c.key}
              variant="outlined"
              onClick={() => {
                onChoose(c.key);
              }}
            >
              {c.label}
            </Button>
          ))}
        </Box>
      )}
    </Alert>
  );
}

/** The message for one field of a form, when the problem is there. */
export function at(problem: Error | null, field: string) {
  const here = problem instanceof Problem && problem.field === field;
  return {
    error: here,
    helperText: here ? problem.message : undefined,
  };
}

export function asError(e: unknown): Error {
  return e instanceof Error ? e : new Error("Something went wrong.");
}
