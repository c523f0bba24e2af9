import { v7 } from "uuid";
import type { JobView } from "./client";
import { Problem } from "./problem";

/** A change that is on its way to the server. It is kept on the device until the server has it. */
export interface Letter {
  commandId: string;
  job: string;
  method: "POST" | "PUT";
  path: string;
  body: Record<string, unknown>;
  /** What it is, for the person: "left front 35 1/2". */
  says: string;
}

/** A letter that the server refused after the person had walked on. */
export interface Refused {
  letter: Letter;
  reason: string;
}

export type Outcome = { stored: JobView } | { waiting: true };

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
  failing: boolean;
}

type Fetch = (input: string, init: RequestInit) => Promise<Response>;

/** Sends changes one after the other, each until it is stored; repeats are harmless because each carries its own key. */
export class Outbox {
  private state: State = { letters: [], refused: [], failing: false };
  private readonly watchers = new Set<() => void>();
  private readonly sent = new Set<string>();
  private readonly settle = new Map<
    string,
    { resolve: (o: Outcome) => void; reject: (e: Error) => void }
  >();
  private running = false;
  private wakeUp: () => void = () => undefined;
  onStored: (view: JobView) => void = () => undefined;

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

  /** Takes a change. Settles when it is stored or refused, or as soon as it has to wait for the network. */
  async post(letter: Omit<Letter, "commandId">): Promise<Outcome> {
    const commandId = v7();
    const full = {
      ...letter,
      commandId,
      body: { ...letter.body, commandId },
    };
    this.sent.add(commandId);
    const outcome = new Promise<Outcome>((resolve, reject) =>
      this.settle.set(commandId, { resolve, reject }),
    );
    this.set({ letters: [...this.state.letters, full] });
    // First on the device, then on the way: a browser that is closed now has lost nothing.
    await this.store.keep(full).catch(() => undefined);
    if (this.state.failing) {
      this.wait(commandId);
    }
    void this.run();
    return outcome;
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
      const letter = this.state.letters[0];
      if (!letter) {
        break;
      }
      const answer = await this.attempt(letter);
      if (answer === null) {
        this.set({ failing: true });
        this.state.letters.forEach((l) => this.wait(l.commandId));
        await Promise.race([
          this.pause(delay),
          new Promise<void>((r) => (this.wakeUp = r)),
        ]);
        delay = Math.min(delay * 2, 8000);
        continue;
      }
      delay = 500;
      await this.finish(letter, answer);
    }
    this.running = false;
  }

  /** The stored job, the server's refusal, or null when the server could not be asked. */
  private async attempt(letter: Letter): Promise<JobView | Problem | null> {
    try {
      const response = await this.send(letter.path, {
        method: letter.method,
        headers: { "Content-Type": "application/json" },
        body: JSON.stringify(letter.body),
      });
      // A server that is down, starting or broken may store it later; so may one that wants a new sign-in.
      if (response.status >= 500 || response.status === 401) {
        return null;
      }
      const body: unknown = await response.json();
      return response.ok
        ? (body as JobView)
        : Problem.of(response.status, body);
    } catch {
      return null;
    }
  }

  private async finish(
    letter: Letter,
    answer: JobView | Problem,
  ): Promise<void> {
    const waiting = this.settle.get(letter.commandId);
    this.settle.delete(letter.commandId);
    const left = () => ({
      letters: this.state.letters.slice(1),
      failing: false,
    });
    if (answer instanceof Problem) {
      if (waiting) {
        await this.store.drop(letter.commandId).catch(() => undefined);
        this.set(left());
        waiting.reject(answer);
      } else {
        const refused = { letter, reason: answer.message };
        await this.store.refuse(refused).catch(() => undefined);
        this.set({ ...left(), refused: [...this.state.refused, refused] });
      }
      return;
    }
    await this.store.drop(letter.commandId).catch(() => undefined);
    this.set(left());
    this.onStored(answer);
    waiting?.resolve({ stored: answer });
  }

  private wait(commandId: string): void {
    this.settle.get(commandId)?.resolve({ waiting: true });
    this.settle.delete(commandId);
  }

  private set(change: Partial<State>): void {
    this.state = { ...this.state, ...change };
    this.watchers.forEach((w) => w());
  }
}
