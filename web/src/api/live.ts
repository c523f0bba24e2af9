import { useQueryClient } from "@tanstack/react-query";
import { createContext, useContext, useEffect, useRef, useState } from "react";
import { outbox } from "./job";
import { hear, readLine, type InstrumentLine } from "./stream";

/** Something that happened in a job just now, as the server tells it. */
interface LiveEvent {
  kind: "stored" | "at" | "line" | "again" | "beat";
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
          // The server is heard: what waits for it goes at once.
          outbox.wake();
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
