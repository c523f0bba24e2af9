import { v7 } from "uuid";
import type { NewCommand } from "./command";
import {
  grown,
  type JobAnswer,
  type Letter,
  type Refused,
  type Versions,
} from "./letters";
import { Problem } from "./problem";

export type Outcome = { stored: JobAnswer } | { waiting: true };

/** Where letters are kept on the device. */
export interface LetterStore {
  load(): Promise<{ letters: Letter[]; refused: Refused[] }>;
  keep(letter: Letter): Promise<void>;
  drop(commandId: string): Promise<void>;
  refuse(refused: Refused): Promise<void>;
  dismiss(commandId: string): Promise<void>;
}

interface State {
  letters: readonly Letter[];
  refused: readonly Refused[];
  /** The server could not be asked. */
  failing: boolean;
  /** The server wants to know anew who this is. */
  signedOut: boolean;
}

type Fetch = (input: string, init: RequestInit) => Promise<Response>;

/** Most that goes in one request. */
const most = 200;

/** Sends changes in order, all that wait for one job in one request, each until it is stored; repeats are harmless because each carries its own key. */
export class Outbox {
  private state: State = {
    letters: [],
    refused: [],
    failing: false,
    signedOut: false,
  };
  private person = "";
  /** How often somebody signed in here. */
  private sessions = 0;
  private readonly watchers = new Set<() => void>();
  private readonly sent = new Set<string>();
  private readonly settle = new Map<
    string,
    {
      resolve: (o: Outcome) => void;
      reject: (e: Error) => void;
      heard: () => boolean;
    }
  >();
  private running = false;
  private wakeUp: () => void = () => undefined;
  onAnswer: (job: string, answer: JobAnswer) => void = () => undefined;

  constructor(
    private readonly store: LetterStore,
    private readonly send: Fetch = (i, o) => fetch(i, o),
    private readonly pause: (ms: number) => Promise<void> = (ms) =>
      new Promise((r) => setTimeout(r, ms)),
  ) {}

  readonly snapshot = (): State => this.state;

  readonly watch = (watcher: () => void): (() => void) => {
    this.watchers.add(watcher);
    return () => this.watchers.delete(watcher);
  };

  /** Whether a command came from this page. */
  isMine(commandId: string): boolean {
    return this.sent.has(commandId);
  }

  /** Says who is signed in; what this person left on the device goes on its way. */
  signedIn(person: string): void {
    this.sessions++;
    if (this.person === person && !this.state.signedOut) {
      return;
    }
    this.person = person;
    this.set({ signedOut: false });
    this.wake();
    void this.run();
  }

  /** The session with which a request goes out. What it answers is called when the server did not know it any more: what is done waits until somebody signs in, unless somebody did since. */
  readonly session = (): (() => void) => {
    const mine = this.sessions;
    return () => {
      if (mine !== this.sessions) {
        return;
      }
      this.set({ signedOut: true, failing: false });
      this.state.letters.forEach((l) => {
        this.wait(l.commandId);
      });
    };
  };

  /** Letters of somebody else that wait on this device. */
  ofOthers(): number {
    return this.state.letters.filter((l) => l.person !== this.person).length;
  }

  /**
   * Takes a change. Settles when it is stored or refused, or as soon as it has to wait for the network.
   * Who sent it may be gone by then: a refusal that is not heard is kept among the refused.
   */
  async post(
    letter: { job: string; command: NewCommand; says: string },
    heard: () => boolean = () => true,
  ): Promise<Outcome> {
    const full = this.sealed(letter);
    const outcome = new Promise<Outcome>((resolve, reject) =>
      this.settle.set(full.commandId, { resolve, reject, heard }),
    );
    await this.take(full);
    return outcome;
  }

  /** Sends a refused change again, over what somebody else left in its row; refused anew it comes back among the refused. */
  async insist({ letter }: Refused, versions: Versions): Promise<void> {
    await this.take(
      this.sealed({
        ...letter,
        command: { ...letter.command, ...versions } as NewCommand,
      }),
    );
    this.dismiss(letter.commandId);
  }

  private sealed(letter: {
    job: string;
    command: NewCommand;
    says: string;
  }): Letter {
    const commandId = v7();
    return {
      ...letter,
      commandId,
      person: this.person,
      command: { ...letter.command, commandId },
    };
  }

  private async take(letter: Letter): Promise<void> {
    this.sent.add(letter.commandId);
    this.set({ letters: [...this.state.letters, letter] });
    // First on the device, then on the way: a browser that is closed now has lost nothing.
    await this.store.keep(letter).catch(() => undefined);
    if (this.state.failing || this.state.signedOut) {
      this.wait(letter.commandId);
    }
    void this.run();
  }

  /** Takes up what is left from an earlier visit, and sends it. */
  async resume(): Promise<void> {
    const kept = await this.store
      .load()
      .catch(() => ({ letters: [], refused: [] }));
    const here = new Set(this.state.letters.map((l) => l.commandId));
    const found = kept.letters.filter((l) => !here.has(l.commandId));
    found.forEach((l) => this.sent.add(l.commandId));
    this.set({
      letters: [...found, ...this.state.letters],
      refused: kept.refused,
    });
    void this.run();
  }

  /** Tries again at once, when the network says that it is back. */
  wake(): void {
    this.wakeUp();
  }

  dismiss(commandId: string): void {
    this.set({
      refused: this.state.refused.filter(
        (r) => r.letter.commandId !== commandId,
      ),
    });
    void this.store.dismiss(commandId).catch(() => undefined);
  }

  private async run(): Promise<void> {
    if (this.running) {
      return;
    }
    this.running = true;
    let delay = 500;
    for (;;) {
      const mine = this.state.letters.filter((l) => l.person === this.person);
      const first = mine[0];
      if (!first || this.state.signedOut) {
        break;
      }
      const batch = mine.filter((l) => l.job === first.job).slice(0, most);
      const ended = this.session();
      const answer = await this.attempt(first.job, batch);
      if (answer === "away") {
        this.set({ failing: true });
        this.state.letters.forEach((l) => {
          this.wait(l.commandId);
        });
        await Promise.race([
          this.pause(delay),
          new Promise<void>((r) => (this.wakeUp = r)),
        ]);
        delay = Math.min(delay * 2, 8000);
        continue;
      }
      delay = 500;
      if (answer === "signedOut") {
        ended();
        continue;
      }
      await this.finish(batch, answer);
    }
    this.running = false;
  }

  /** What the server answered; "away" when it could not be asked or may have stored it without saying so. */
  private async attempt(
    job: string,
    batch: readonly Letter[],
  ): Promise<JobAnswer | Problem | "away" | "signedOut"> {
    try {
      const response = await this.send(`/api/jobs/${job}/commands`, {
        method: "POST",
        headers: { "Content-Type": "application/json" },
        body: JSON.stringify(batch.map((l) => l.command)),
      });
      // Too many at once: it is sent again like what the server could not take.
      if (response.status >= 500 || response.status === 429) {
        return "away";
      }
      if (response.status === 401) {
        return "signedOut";
      }
      const body: unknown = await response.json();
      return response.ok
        ? (body as JobAnswer)
        : Problem.of(response.status, body);
    } catch {
      return "away";
    }
  }

  private async finish(
    batch: readonly Letter[],
    answer: JobAnswer | Problem,
  ): Promise<void> {
    const refused: { letter: Letter; problem: Problem }[] = [];
    batch.forEach((letter, i) => {
      const problem =
        answer instanceof Problem
          ? answer
          : Problem.ofOutcome(answer.outcomes[i]);
      if (problem) {
        refused.push({ letter, problem });
      }
    });
    const late = refused
      .filter((r) => !this.settle.get(r.letter.commandId)?.heard())
      .map(({ letter, problem }): Refused => ({
        letter,
        reason: problem.message,
        first:
          problem.field === "version"
            ? { by: problem.by, at: problem.at, theirs: problem.theirs }
            : null,
      }));
    for (const letter of batch) {
      const one = late.find((r) => r.letter === letter);
      await (
        one ? this.store.refuse(one) : this.store.drop(letter.commandId)
      ).catch(() => undefined);
    }
    const gone = new Set(batch.map((l) => l.commandId));
    const left = this.state.letters.filter((l) => !gone.has(l.commandId));
    const next = answer instanceof Problem ? left : grown(left, batch, answer);
    this.set({
      letters: next,
      refused: [...this.state.refused, ...late],
      failing: false,
    });
    for (const letter of next.filter((l) => !left.includes(l))) {
      await this.store.keep(letter).catch(() => undefined);
    }
    if (!(answer instanceof Problem)) {
      this.onAnswer(batch[0]?.job ?? "", answer);
    }
    for (const letter of batch) {
      const waiting = this.settle.get(letter.commandId);
      this.settle.delete(letter.commandId);
      const problem = refused.find((r) => r.letter === letter)?.problem;
      if (problem) {
        waiting?.reject(problem);
      } else if (!(answer instanceof Problem)) {
        waiting?.resolve({ stored: answer });
      }
    }
  }

  private wait(commandId: string): void {
    this.settle.get(commandId)?.resolve({ waiting: true });
    this.settle.delete(commandId);
  }

  private set(change: Partial<State>): void {
    this.state = { ...this.state, ...change };
    this.watchers.forEach((w) => {
      w();
    });
  }
}
