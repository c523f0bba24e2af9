import { useState } from "react";

/** State that outlives a reload: kept on the device until it is cleared, which forgets what was saved and not what was typed since. */
export function useDraft<T>(
  key: string,
  initial: T,
): [T, (value: T) => void, () => void] {
  const full = `nokko.draft.${key}`;
  // The key travels with the value, so that another station starts with its own draft.
  const [held, setHeld] = useState(() => ({
    full,
    value: load(full, initial),
  }));
  const value = held.full === full ? held.value : load(full, initial);
  let mine = value;
  const set = (next: T) => {
    mine = next;
    localStorage.setItem(full, JSON.stringify(next));
    setHeld({ full, value: next });
  };
  const clear = () => {
    const kept = localStorage.getItem(full);
    if (kept !== null && kept !== JSON.stringify(mine)) {
      return;
    }
    localStorage.removeItem(full);
    // Nothing is held any more: what is put back into the draft later is seen.
    setHeld({ full: "", value: initial });
  };
  return [value, set, clear];
}

/** Puts something back into a draft, for the next time that its field is shown. */
export function keepDraft(key: string, value: unknown) {
  localStorage.setItem(`nokko.draft.${key}`, JSON.stringify(value));
}

function load<T>(key: string, initial: T): T {
  try {
    const text = localStorage.getItem(key);
    return text === null ? initial : (JSON.parse(text) as T);
  } catch {
    return initial;
  }
}
