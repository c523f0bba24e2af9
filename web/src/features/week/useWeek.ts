import {
  keepPreviousData,
  useQuery,
  useQueryClient,
} from "@tanstack/react-query";
import { useRef, useState } from "react";
import { v7 } from "uuid";
import { api, must, type Schemas } from "../../api/client";
import { outbox, remembered, useThere } from "../../api/job";
import { asError } from "../../shared/ProblemNote";
import type { Moment, View } from "./week";

/** The week of a day; of today where none is said. */
export function useWeek(from: string | null) {
  return useQuery({
    queryKey: ["week", from],
    queryFn: () =>
      remembered(`week ${from ?? ""}`, async () =>
        must(
          await api.GET("/api/week", {
            params: {
              query: {
                from: from ?? undefined,
                zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
              },
            },
          }),
        ),
      ),
    placeholderData: keepPreviousData,
    // The clock goes on, and with it whatever is late.
    refetchInterval: 60_000,
  });
}

/** What is booked for a job. */
export interface Wanted {
  bay: string | null;
  at: Moment;
  people: readonly string[];
  hours: Schemas["QuantityInput"] | null;
}

/** What was done last in the week, so that it can be taken back. */
export interface Done {
  job: string;
  says: string;
  command: string | null;
}

/** Where a job was put that is not yet laid out there. */
export interface Put {
  bay: string | null;
  at: Moment;
}

/** Books, moves and takes out; what was done last, and what was refused. A hand that is faster than the line goes on from where it was itself. */
export function useBooking(view: View) {
  const client = useQueryClient();
  const there = useThere();
  const [problem, setProblem] = useState<Error | null>(null);
  const [done, setDone] = useState<Done | null>(null);
  const [puts, setPuts] = useState<Record<string, Put | undefined>>({});
  // Keys and versions that one's own changes left, until the week shows them.
  const own = useRef(new Map<string, { id: string; version: number | null }>());
  const under = useRef(0);
  const anew = () => client.invalidateQueries({ queryKey: ["week"] });
  const post = async (
    job: string,
    command: Parameters<typeof outbox.post>[0]["command"],
    says: string,
  ): Promise<boolean> => {
    setProblem(null);
    setDone(null);
    under.current++;
    try {
      const outcome = await outbox.post({ job, command, says }, there);
      const its = own.current.get(job);
      const version =
        its && "stored" in outcome
          ? outcome.stored.versions[its.id]
          : undefined;
      if (its && version !== undefined) {
        own.current.set(job, { ...its, version });
      }
      // Whatever is done next begins with the bays as they are now.
      await anew();
      setDone(
        "stored" in outcome
          ? {
              job,
              says,
              command:
                command.kind === "takeBack"
                  ? null
                  : (outcome.stored.outcomes.at(-1)?.commandId ?? null),
            }
          : {
              job,
              says: `${says}: kept here until the server is reached`,
              command: null,
            },
      );
      return true;
    } catch (e) {
      // What others booked meanwhile is there when it is told.
      await anew();
      setProblem(asError(e));
      return false;
    } finally {
      under.current--;
      if (under.current === 0) {
        own.current.clear();
        setPuts({});
      }
    }
  };
  return {
    problem,
    done,
    puts,
    forget: () => {
      setProblem(null);
    },
    book: (job: string, wanted: Wanted, says: string, over?: number) => {
      const booked = view.jobs.find((b) => b.job === job);
      const its = own.current.get(job) ?? {
        id: booked?.booking.id ?? v7(),
        version: booked?.version ?? null,
      };
      own.current.set(job, its);
      setPuts((now) => ({ ...now, [job]: { bay: wanted.bay, at: wanted.at } }));
      return post(
        job,
        {
          kind: "bookWork",
          id: its.id,
          bay: wanted.bay,
          day: wanted.at.day,
          from: wanted.at.minute,
          people: [...wanted.people],
          hours: wanted.hours,
          version: over ?? its.version,
        },
        says,
      );
    },
    cancel: (job: string, version: number, says: string) =>
      post(job, { kind: "cancelBooking", version }, says),
    takeBack: async (it: Done) => {
      if (it.command !== null) {
        await post(
          it.job,
          { kind: "takeBack", change: it.command },
          `${it.says}: taken back`,
        );
      }
    },
  };
}
