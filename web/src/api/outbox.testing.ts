import "fake-indexeddb/auto";
import type { Schemas } from "./client";
import type { JobCommand, NewCommand } from "./command";
import { Device } from "./device";
import type { JobAnswer } from "./letters";
import { Outbox } from "./outbox";

export const command: NewCommand = {
  kind: "finishFollowUp",
  id: "f",
  note: "aimed",
};
export const letter = { job: "j", command, says: "headlights" };

/** A device of its own, as a browser profile has. */
let devices = 0;
export const storage = () => new Device(`test ${(++devices).toString()}`);

export function gate() {
  let open: () => void = () => undefined;
  const promise = new Promise<void>((resolve) => (open = resolve));
  return {
    promise,
    open: () => {
      open();
    },
  };
}

export const sentIn = (init: RequestInit) =>
  JSON.parse(init.body as string) as JobCommand[];

/** The server's answer to commands, each with what became of it. */
export function answered(
  commands: JobCommand[],
  refusal: Schemas["Refusal"] | null = null,
): JobAnswer {
  return {
    outcomes: commands.map((c) => ({
      commandId: c.commandId,
      status: refusal ? "refused" : "stored",
      refusal,
      by: null,
      at: null,
    })),
    from: 1,
    version: 2,
    rows: [],
    versions: {},
    sections: {},
  };
}

export const reply = (status: number, body: unknown) =>
  Promise.resolve(new Response(JSON.stringify(body), { status }));
export const store = (_: string, init: RequestInit) =>
  reply(200, answered(sentIn(init)));
export const refuse = (_: string, init: RequestInit) =>
  reply(
    200,
    answered(sentIn(init), {
      kind: "badValue",
      field: "note",
      message: "That is too long.",
      choices: [],
      also: [],
      row: null,
      theirs: null,
    }),
  );
export const down = () => Promise.reject(new Error("down"));

/** An outbox of somebody who is signed in. */
export function box(...args: ConstructorParameters<typeof Outbox>) {
  const made = new Outbox(...args);
  made.signedIn("brenna");
  return made;
}

export const refusedOnce = (of: Outbox) =>
  new Promise<void>((resolve) =>
    of.watch(() => {
      if (of.snapshot().refused.length > 0) resolve();
    }),
  );

export const idle = (of: Outbox) =>
  new Promise<void>((resolve) => {
    const look = () => {
      if (of.snapshot().letters.length === 0) resolve();
    };
    of.watch(look);
    look();
  });
