import { useEffect, useRef, useState } from "react";
import { useLiveJob } from "../api/live";
import { hear, readLine, type InstrumentLine } from "../api/stream";

/** Listens to a stand-in, and to a real instrument that sends the same quantity for the same place; the newer line counts. */
export function useInstrument(
  address: string,
  quantity: string,
  place: string,
  onLine: (line: InstrumentLine) => void,
): InstrumentLine | null {
  const [line, setLine] = useState<InstrumentLine | null>(null);
  const tell = useRef(onLine);
  useEffect(() => {
    tell.current = onLine;
  });
  useEffect(
    () =>
      hear(address, (data) => {
        const next = readLine(data);
        if (next) {
          setLine(next);
          tell.current(next);
        }
      }),
    [address],
  );
  const sent = useLiveJob().line;
  useEffect(() => {
    if (sent?.quantity === quantity && sent.place === place) {
      setLine(sent);
      tell.current(sent);
    }
  }, [sent, quantity, place]);
  return line;
}
