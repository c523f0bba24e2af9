import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { Problem } from "../api/problem";
import { timeOfDay } from "./time";

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
      {problem instanceof Problem &&
        problem.also.map((f) => <div key={f.field}>{f.message}</div>)}
      {problem instanceof Problem && <First problem={problem} />}
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

/** Who changed the same thing first, and what it is now. */
function First({ problem }: { problem: Problem }) {
  if (problem.by === null) {
    return null;
  }
  const theirs = wordsOf(problem.theirs);
  return (
    <Box sx={{ mt: 0.5 }}>
      {problem.by} was first
      {problem.at !== null && `, ${timeOfDay(problem.at)}`}
      {theirs !== "" && <>: {theirs}</>}
    </Box>
  );
}

/** What somebody else left, in a line: the plain values of a row; of what lies in it, too, where it is asked for. */
export function wordsOf(row: unknown, deep = false): string {
  if (typeof row !== "object" || row === null) {
    return "";
  }
  return Object.entries(row)
    .filter(([name]) => !/id$|by$|at$|^supersedes$/i.test(name))
    .map(([, value]): string | null =>
      isKey(value)
        ? null
        : typeof value === "string" || typeof value === "number"
          ? value.toString()
          : isQuantity(value)
            ? amountOf(value)
            : deep
              ? wordsOf(value, deep)
              : null,
    )
    .filter((text) => text !== null && text !== "")
    .join(", ");
}

/** Keys say nothing to a person. */
const isKey = (value: unknown): boolean =>
  typeof value === "string" && /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-/.test(value);

interface Amount {
  unit: string;
  typed: string | null;
  /** Not there before the server has read it. */
  value?: number;
}

function isQuantity(value: unknown): value is Amount {
  return (
    typeof value === "object" &&
    value !== null &&
    "unit" in value &&
    "typed" in value
  );
}

/** As it was typed; its unit is said where nobody typed one. */
function amountOf({ typed, value, unit }: Amount): string {
  const said = typed ?? value?.toString() ?? "";
  return said === "" || /[\p{L}°"″'′]/u.test(said) ? said : `${said} ${unit}`;
}

/** The message for one field of a form, when the problem is there. */
export function at(problem: Error | null, field: string) {
  const said = problem instanceof Problem ? problem.says(field) : null;
  return { error: said !== null, helperText: said ?? undefined };
}

export function asError(e: unknown): Error {
  return e instanceof Error ? e : new Error("Something went wrong.");
}
