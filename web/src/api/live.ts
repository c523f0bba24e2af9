import { useQueryClient } from "@tanstack/react-query";
import { createContext, useContext, useEffect, useRef, useState } from "react";
import { outbox } from "./job";

/** Something that happened in a job just now, as the server tells it. */
interface LiveEvent {
  kind: "stored" | "at" | "line" | "again";
  command: string | null;
  device: string | null;
  person: string | null;
  walkRound: string | null;
  place: string | null;
  line: string | null;
}

/** Where somebody else stands with the tape. */
export interface Standing {
  device: string;
  person: string;
  walkRound: string;
  place: string;
}

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

interface Live {
  standing: readonly Standing[];
  line: InstrumentLine | null;
}

const LiveContext = createContext<Live>({ standing: [], line: null });
export const LiveProvider = LiveContext.Provider;

/** What others do in this job at this moment. */
export function useLiveJob(): Live {
  return useContext(LiveContext);
}

/** This page, to others. */
export const thisDevice = crypto.randomUUID();

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

/** Listens to a job for as long as the page shows it. */
export function useListening(job: string): Live {
  const client = useQueryClient();
  const [live, setLive] = useState<Live>({ standing: [], line: null });
  const first = useRef(true);
  useEffect(() => {
    first.current = true;
    setLive({ standing: [], line: null });
    return hear(`/api/jobs/${job}/live`, (data) => {
      const e = JSON.parse(data) as LiveEvent;
      switch (e.kind) {
        case "again":
          // The page has just asked for the job itself; only a second "again" means that something was missed.
          if (!first.current) {
            void client.invalidateQueries({ queryKey: ["job", job] });
          }
          first.current = false;
          break;
        case "stored":
          if (e.command === null || !outbox.isMine(e.command)) {
            void client.invalidateQueries({ queryKey: ["job", job] });
            void client.invalidateQueries({ queryKey: ["history", job] });
            void client.invalidateQueries({ queryKey: ["comparison", job] });
          }
          break;
        case "at":
          if (e.device !== null && e.device !== thisDevice) {
            const mine = {
              device: e.device,
              person: e.person ?? "somebody",
              walkRound: e.walkRound ?? "",
              place: e.place ?? "",
            };
            setLive((now) => ({
              ...now,
              standing: [
                ...now.standing.filter((s) => s.device !== mine.device),
                mine,
              ],
            }));
          }
          break;
        case "line": {
          const line = e.line === null ? null : readLine(e.line);
          if (line) {
            setLive((now) => ({ ...now, line }));
          }
          break;
        }
      }
    });
  }, [job, client]);
  return live;
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
