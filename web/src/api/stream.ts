/** One line of an instrument, as far as a screen shows it. */
export interface InstrumentLine {
  instrument: string;
  serial: string;
  quantity: string;
  place: string;
  value: number;
  unit: string;
  state: "moving" | "steady" | "peak";
}

/**
 * Hears a stream of the server for as long as the page is looked at. A browser has few connections to one
 * server: a page in the background, or one that was left, gives its own back.
 */
export function hear(
  address: string,
  onData: (data: string) => void,
): () => void {
  let source: EventSource | null = null;
  const open = () => {
    if (source === null && document.visibilityState === "visible") {
      source = new EventSource(address);
      source.onmessage = (message: MessageEvent<string>) => {
        onData(message.data);
      };
    }
  };
  const close = () => {
    source?.close();
    source = null;
  };
  const look = () => {
    if (document.visibilityState === "visible") {
      open();
    } else {
      close();
    }
  };
  document.addEventListener("visibilitychange", look);
  window.addEventListener("pagehide", close);
  window.addEventListener("pageshow", open);
  open();
  return () => {
    document.removeEventListener("visibilitychange", look);
    window.removeEventListener("pagehide", close);
    window.removeEventListener("pageshow", open);
    close();
  };
}

/** Reads a line that the server has checked already. */
export function readLine(text: string): InstrumentLine | null {
  const [, , instrument, serial, quantity, place, value, unit, state] =
    text.split(" ");
  return state === "moving" || state === "steady" || state === "peak"
    ? {
        instrument: words(instrument),
        serial: words(serial),
        quantity: words(quantity),
        place: words(place),
        value: Number(value),
        unit: unit ?? "",
        state,
      }
    : null;
}

function words(field: string | undefined): string {
  return (field ?? "").replaceAll("_", " ");
}
