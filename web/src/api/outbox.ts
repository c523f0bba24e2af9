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

interface State {
  letters: readonly Letter[];
  refused: readonly Refused[];
  failing: boolean;
}

type Fetch = (input: string, init: RequestInit) => Promise<Response>;

/** Sends changes one after the other, each until it is stored; repeats are harmless because each carries its own key. */
export class Outbox {
  private state: State;
  private readonly watchers = new Set<() => void>();
  private readonly settle = new Map<
    string,
    { resolve: (o: Outcome) => void; reject: (e: Error) => void }
  >();
  private running = false;
  onStored: (view: JobView) => void = () => undefined;

  constructor(
    private readonly store: Storage,
    private readonly send: Fetch = (i, o) => fetch(i, o),
    private readonly pause: (ms: number) => Promise<void> = (ms) =>
      new Promise((r) => setTimeout(r, ms)),
  ) {
    this.state = {
      letters: read<Letter[]>(store, "nokko.outbox") ?? [],
      refused: read<Refused[]>(store, "nokko.refused") ?? [],
      failing: false,
    };
  }

  readonly snapshot = (): State => this.state;

  readonly watch = (watcher: () => void): (() => void) => {
    this.watchers.add(watcher);
    return () => this.watchers.delete(watcher);
  };

  /** Takes a change. Settles when it is stored or refused, or as soon as it has to wait for the network. */
  post(letter: Omit<Letter, "commandId">): Promise<Outcome> {
    const commandId = v7();
    const full = {
      ...letter,
      commandId,
      body: { ...letter.body, commandId },
    };
    this.set({ letters: [...this.state.letters, full] });
    const outcome = new Promise<Outcome>((resolve, reject) =>
      this.settle.set(commandId, { resolve, reject }),
    );
    if (this.state.failing) {
      this.wait(commandId);
    }
    void this.run();
    return outcome;
  }

  /** Sends what is left from an earlier visit. */
  resume(): void {
    void this.run();
  }

  dismiss(commandId: string): void {
    this.set({
      refused: this.state.refused.filter(
        (r) => r.letter.commandId !== commandId,
      ),
    });
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
        await this.pause(delay);
        delay = Math.min(delay * 2, 8000);
        continue;
      }
      delay = 500;
      this.set({ letters: this.state.letters.slice(1), failing: false });
      this.finish(letter, answer);
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

  private finish(letter: Letter, answer: JobView | Problem): void {
    const waiting = this.settle.get(letter.commandId);
    this.settle.delete(letter.commandId);
    if (answer instanceof Problem) {
      if (waiting) {
        waiting.reject(answer);
      } else {
        this.set({
          refused: [...this.state.refused, { letter, reason: answer.message }],
        });
      }
      return;
    }
    this.onStored(answer);
    waiting?.resolve({ stored: answer });
  }

  private wait(commandId: string): void {
    this.settle.get(commandId)?.resolve({ waiting: true });
    this.settle.delete(commandId);
  }

  private set(change: Partial<State>): void {
    this.state = { ...this.state, ...change };
    this.store.setItem("nokko.outbox", JSON.stringify(this.state.letters));
    this.store.setItem("nokko.refused", JSON.stringify(this.state.refused));
    this.watchers.forEach((w) => w());
  }
}

function read<T>(store: Storage, key: string): T | null {
  try {
    return JSON.parse(store.getItem(key) ?? "null") as T | null;
  } catch {
    return null;
  }
}
