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

/** Where the row lies that a change edits without a key of it in the change. */
const places = {
  setTarget: "job",
  makeWish: "job",
  setLoads: "job",
  setLimit: "job",
  sayComeback: "job",
  handOver: "job",
  binJob: "job",
  setSizes: "vehicle",
  setMates: "vehicle",
  placeStation: "vehicle",
  setSuspension: "stages",
  setPoints: "stages",
  setSpacePoints: "stages",
  tapeSizes: "stages",
  noteBallast: "stages",
  cancelBooking: "bookings",
} as const satisfies Partial<
  Record<NewCommand["kind"], keyof Schemas["JobDocument"]>
>;

type Place = (typeof places)[keyof typeof places] | "owner";

/** What it rests on in each place, by the name that the change has for it. */
function seenOf(command: NewCommand): Partial<Record<Place, keyof Versions>> {
  if (command.kind === "correctTakenIn") {
    return {
      job: "version",
      vehicle: "vehicleVersion",
      owner: "ownerVersion",
      stages: "stageVersion",
    };
  }
  return command.kind in places
    ? { [places[command.kind as keyof typeof places]]: "version" }
    : {};
}

/** The row that a letter edits as it was seen; null when it edits none by a key of its own. */
export function rowOf({ command, job }: Letter): string | null {
  if ("job" in seenOf(command)) {
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
  const stored = batch.filter(
    (_, i) => answer.outcomes[i]?.status !== "refused",
  );
  const own = stored
    // Of the pieces that a kit brought, stacks that were put together before know nothing.
    .filter((l) => l.command.kind !== "placeKit")
    .map(rowOf);
  // Nor of those that left with a suspension.
  const emptied = stored
    .filter((l) => l.command.kind === "convertAxle")
    .map(rowOf);
  return letters.map((letter) => {
    const row = rowOf(letter);
    const now: Versions = inPlaces(letter.command, stored, answer);
    if (
      row !== null &&
      own.includes(row) &&
      !(letter.command.kind === "savePlan" && emptied.includes(row)) &&
      answer.versions[row] !== undefined
    ) {
      now.version = answer.versions[row];
    }
    return Object.keys(now).length === 0
      ? letter
      : ({ ...letter, command: { ...letter.command, ...now } } as Letter);
  });
}

/** The versions of rows that have no key in the change, after one's own changes of the same rows. */
function inPlaces(
  command: NewCommand,
  stored: readonly Letter[],
  answer: JobAnswer,
): Versions {
  const now: Versions = {};
  for (const [place, name] of Object.entries(seenOf(command))) {
    const rows = answer.rows.filter((r) => r.list === place);
    const [row] = rows;
    if (
      row &&
      rows.length === 1 &&
      stored.some((l) => place in seenOf(l.command))
    ) {
      now[name] = answer.versions[row.id] ?? now[name];
    }
  }
  return now;
}
