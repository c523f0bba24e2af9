import { useRef } from "react";

/** Two presses in one moment are one: what is pressed while the first is on its way does nothing. A state would be told too late. */
export function useOnce() {
  const busy = useRef(false);
  return async (act: () => Promise<unknown>): Promise<void> => {
    if (busy.current) {
      return;
    }
    busy.current = true;
    try {
      await act();
    } finally {
      busy.current = false;
    }
  };
}
