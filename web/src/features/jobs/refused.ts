import type { JobView, Schemas } from "../../api/client";
import type { NewCommand } from "../../api/command";
import { rowOf, type Letter, type Versions } from "../../api/letters";
import type { Lines } from "../../shared/BothWays";
import { wordsOf } from "../../shared/ProblemNote";
import { comebackLines } from "../hand-over/comebackText";
import { cameIn } from "./correction";

/** What was typed in a change, without what says where it belongs. */
const typedIn = (command: NewCommand) => ({
  ...command,
  kind: null,
  version: null,
  step: null,
});

/** The same in a line. */
export const saidBy = (command: NewCommand): string =>
  wordsOf(typedIn(command), true);

/** What a letter says and what the other one left, of the same things. */
export function bothSay(
  { command }: Letter,
  theirs: unknown,
): { mine: Lines; theirs: Lines } {
  if (command.kind === "sayComeback") {
    return {
      mine: comebackLines(command.comeback),
      theirs: comebackLines(
        (theirs as Schemas["Job"] | null)?.comeback ?? null,
      ),
    };
  }
  const said = typedIn(command);
  // Their row may hold much that this change never touched.
  const same = Object.fromEntries(
    Object.entries(theirs ?? {}).filter(([name]) => name in said),
  );
  return {
    mine: { "It says": saidBy(command) },
    theirs: {
      "It says":
        Object.keys(same).length > 0 ? wordsOf(same, true) : wordsOf(theirs),
    },
  };
}

/** The versions that a letter rests on, as its rows are now. */
export function versionsNow(
  letter: Letter,
  theirs: unknown,
  { versions, document: d }: JobView,
): Versions {
  const now = (id: string | null | undefined) =>
    id ? (versions[id] ?? null) : null;
  return letter.command.kind === "correctTakenIn"
    ? {
        version: now(d.job.id),
        vehicleVersion: now(d.vehicle.id),
        ownerVersion: now(d.owner.id),
        stageVersion: now(cameIn({ document: d })?.id) ?? 0,
      }
    : {
        version: now(
          rowOf(letter) ?? (theirs as { id?: string } | null)?.id ?? null,
        ),
      };
}
