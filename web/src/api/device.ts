import { openDB, type DBSchema, type IDBPDatabase } from "idb";
import type { Letter, Refused } from "./letters";

interface Kept extends DBSchema {
  letters: { key: string; value: Letter };
  refused: { key: string; value: Refused };
  views: { key: string; value: unknown };
}

/** What this device keeps of its own: changes on their way, and what was last seen of each job. */
export class Device {
  private readonly db: Promise<IDBPDatabase<Kept>>;

  constructor(name = "nokko") {
    this.db = openDB<Kept>(name, 2, {
      upgrade(db) {
        // What an unreleased Nokko left has another form.
        for (const old of Array.from(db.objectStoreNames)) {
          db.deleteObjectStore(old);
        }
        // Keys are made in the order of time, so letters come back in the order in which they were written.
        db.createObjectStore("letters", { keyPath: "commandId" });
        db.createObjectStore("refused", { keyPath: "letter.commandId" });
        db.createObjectStore("views");
      },
    });
    // Where a browser keeps nothing, changes still go to the server; each use says so by failing itself.
    this.db.catch(() => undefined);
  }

  async load(): Promise<{ letters: Letter[]; refused: Refused[] }> {
    const db = await this.db;
    return {
      letters: await db.getAll("letters"),
      refused: await db.getAll("refused"),
    };
  }

  async keep(letter: Letter): Promise<void> {
    await (await this.db).put("letters", letter);
  }

  async drop(commandId: string): Promise<void> {
    await (await this.db).delete("letters", commandId);
  }

  /** Turns a letter into a refused one, both or neither. */
  async refuse(refused: Refused): Promise<void> {
    const change = (await this.db).transaction(
      ["letters", "refused"],
      "readwrite",
    );
    await Promise.all([
      change.objectStore("letters").delete(refused.letter.commandId),
      change.objectStore("refused").put(refused),
      change.done,
    ]);
  }

  async dismiss(commandId: string): Promise<void> {
    await (await this.db).delete("refused", commandId);
  }

  async remember(key: string, view: unknown): Promise<void> {
    await (await this.db).put("views", view, key);
  }

  async recall(key: string): Promise<unknown> {
    return (await this.db).get("views", key);
  }

  /** Forgets what was seen, when somebody signs out; changes on their way stay. */
  async forget(): Promise<void> {
    await (await this.db).clear("views");
  }
}

export const device = new Device();
