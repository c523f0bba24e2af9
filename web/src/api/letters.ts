import type { Schemas } from "./client";
import type { CommandOf, JobCommand, NewCommand } from "./command";

export type JobAnswer = Schemas["JobAnswer"];

/** A change that is on its way to the server. It is kept on the device until the server has it. */
export interface Letter {
  commandId: string;
  job: string;
  /** Key of who made it: it is never sent as somebody else. */
  person: string;
  command: JobCommand;
  /** What it is, for the person: "left front 35 1/2". */
  says: string;
}

/** A letter that the server refused after the person had walked on. */
export interface Refused {
  letter: Letter;
  reason: string;
  /** Who changed the same row first, when, and what it is now; null where nobody did. */
  first: { by: string | null; at: string | null; theirs: unknown } | null;
}

/** What a change rests on, as its rows are now. */
export type Versions = Partial<
  Record<
    "version" | "vehicleVersion" | "ownerVersion" | "stageVersion",
    number | null
  >
>;

/** The commands of one kind among letters, in order. */
export function lettersOf<K extends JobCommand["kind"]>(
  letters: readonly Letter[],
  kind: K,
): CommandOf<K>[] {
  return letters
    .map((l) => l.command)
    .filter((c): c is CommandOf<K> => c.kind === kind);
}

/** What changes the job's own row. */
const ofTheJob: ReadonlySet<NewCommand["kind"]> = new Set([
  "setTarget",
  "makeWish",
  "setLoads",
  "setLimit",
  "sayComeback",
  "handOver",
]);

/** The row that a letter edits as it was seen; null when it edits none by a key of its own. */
export function rowOf({ command, job }: Letter): string | null {
  if (ofTheJob.has(command.kind)) {
    return job;
  }
  if (
    command.kind === "placeKit" ||
    command.kind === "convertAxle" ||
    command.kind === "keepSuspension"
  ) {
    return command.planId;
  }
  return "version" in command && "id" in command ? command.id : null;
}

/** What was done on top of one's own change that is stored now rests on that, not on what was there before it. */
export function grown(
  letters: readonly Letter[],
  batch: readonly Letter[],
  answer: JobAnswer,
): readonly Letter[] {
  const own = batch
    .filter(
      (l, i) =>
        answer.outcomes[i]?.status !== "refused" &&
        // Of the pieces that a kit brought, stacks that were put together before know nothing.
        l.command.kind !== "placeKit",
    )
    .map(rowOf);
  // Nor of those that left with a suspension.
  const emptied = batch
    .filter((l) => l.command.kind === "convertAxle")
    .map(rowOf);
  return letters.map((letter) => {
    const row = rowOf(letter);
    const version =
      row !== null &&
      own.includes(row) &&
      !(letter.command.kind === "savePlan" && emptied.includes(row))
        ? answer.versions[row]
        : undefined;
    return version === undefined
      ? letter
      : ({ ...letter, command: { ...letter.command, version } } as Letter);
  });
}
