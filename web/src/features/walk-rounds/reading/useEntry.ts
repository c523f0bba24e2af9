import { useQuery } from "@tanstack/react-query";
import { useDeferredValue, useEffect, useRef, useState } from "react";
import { v7 } from "uuid";
import { api, must, type Schemas } from "../../../api/client";
import { heightAt } from "../../../api/document";
import { useJob, useOutbox, useSend } from "../../../api/job";
import { useLiveJob } from "../../../api/live";
import { waitingIn } from "../../../api/waiting";
import { inMm, shown } from "../../../shared/length";
import { called, say } from "../../../shared/voice";
import { asError } from "../../../shared/ProblemNote";
import { cornerWords } from "../../../shared/quantity";
import { useReadWith } from "../../../shared/ReadWith";
import { keepDraft, useDraft } from "../../../shared/useDraft";
import { divisionOf } from "./tape";

export const lips = ["LF", "RF", "LR", "RR"];

/** Stations of a round in walking order. */
export function orderOf(
  round: Schemas["WalkRound"],
  vehicle: Schemas["Vehicle"],
): string[] {
  return round.order.length > 0
    ? round.order
    : vehicle.stations.map((s) => s.name);
}

export function stationWords(station: string): string {
  return cornerWords[station] ?? station;
}

/** The datum with which a new reading of a station starts: mid and bumper stations have no hub. */
export function usualDatum(
  station: string,
  round: Schemas["WalkRound"],
): Schemas["Datum"] {
  return lips.includes(station) ||
    (round.datum !== "hub" && round.datum !== "rim")
    ? round.datum
    : "floor";
}

/** A reading that was refused after the hands had gone on. */
interface Back {
  station: string;
  typed: string;
  from: Schemas["Datum"] | null;
  wrong: string | null;
  reason: string;
  problem: Error;
}

/** One station after the other: what is typed, what it means, storing it and walking on. */
export function useEntry(round: Schemas["WalkRound"]) {
  const view = useJob();
  const d = view.document;
  const send = useSend();
  const { letters } = useOutbox();
  const stance = view.results.walkRounds.find(
    (w) => w.walkRoundId === round.id,
  );
  const order = orderOf(round, d.vehicle);
  const waiting = waitingIn(letters, round.id);
  const isDone = (station: string) =>
    heightAt(stance, station) !== undefined ||
    stance?.skipped.some((s) => s.station === station) === true ||
    waiting.some(({ command: c }) => "station" in c && c.station === station);
  // First what is not read yet, then what does not fit and should be read again.
  const suspect = view.results.chain.find((c) => c.afterId === round.id)?.rigid
    ?.readAgain;
  const [chosen, setChosen] = useState<string | null>(
    () => order.find((s) => !isDone(s)) ?? suspect ?? order[0] ?? "LF",
  );
  const current = chosen ?? order[0] ?? "LF";
  const [datum, setDatum] = useState<Schemas["Datum"] | null>(null);
  const [ownMark, setOwnMark] = useState("");
  const [wrong, setWrong] = useState<string | null>(null);
  const [text, setText, clearText] = useDraft(
    `reading.${round.id}.${current}`,
    "",
  );
  const [reason, setReason] = useState("");
  const [given, setGiven] = useState<string[]>([]);
  const [problem, setProblem] = useState<Error | null>(null);
  const [raised, setRaised] = useState<string[]>([]);
  const [changed, setChanged] = useState<string[]>([]);
  const [back, setBack] = useState<Back | null>(null);
  const pressed = useRef<string | null>(null);
  const typing = useRef(false);
  const division = divisionOf(round.division);
  const tape = useReadWith("tape");
  const from = datum ?? usualDatum(current, round);

  const asked = useDeferredValue(text.trim());
  const echo = useQuery({
    queryKey: ["tape", asked, division.denominator, current],
    queryFn: async () =>
      must(
        await api.GET("/api/tape", {
          params: {
            query: {
              text: asked,
              denominator: division.denominator,
              station: current,
            },
          },
        }),
      ),
    enabled: asked !== "",
    staleTime: Infinity,
    retry: false,
  });

  // What was stored is said once it is: by its own number, not by what was typed.
  const [aloud, setAloud] = useDraft("aloud", false);
  const unsaid = useRef(new Set<string>());
  const { readings } = d;
  useEffect(() => {
    for (const r of readings) {
      if (unsaid.current.delete(r.id) && r.value !== null) {
        say(
          `${stationWords(r.place.name ?? "")}, ${called(shown(inMm(r.value), division.unit, false, division.denominator))}`,
        );
      }
    }
  }, [readings, division.unit, division.denominator]);
  // Two with two tapes take turns: where somebody else stands is theirs.
  const { standing } = useLiveJob();
  const taken = standing
    .filter((s) => s.walkRound === round.id)
    .map((s) => s.place);

  const choose = (station: string) => {
    pressed.current = null;
    setChosen(station);
    setDatum(null);
    setProblem(null);
    setWrong(null);
    setGiven([]);
  };
  const walk = (by: 1 | -1) => {
    const i = order.indexOf(current);
    choose(order[(i + by + order.length) % order.length] ?? current);
  };
  const walkOn = (after: string) => {
    const i = order.indexOf(after);
    const open = [...order.slice(i + 1), ...order.slice(0, i)].filter(
      (s) => !isDone(s),
    );
    choose(
      open.find((s) => !taken.includes(s)) ?? open[0] ?? order[i + 1] ?? after,
    );
  };

  /** Goes back to what was refused, as it was typed. */
  const goBack = (to: Back) => {
    keepDraft(`reading.${round.id}.${to.station}`, to.typed);
    choose(to.station);
    setDatum(to.from);
    setWrong(to.wrong);
    setReason(to.reason);
    setProblem(to.problem);
    setBack(null);
  };

  const store = (
    answers: string[],
    live?: { typed: string; instrument: string },
  ) => {
    const typed = live?.typed ?? text;
    const key = [current, typed, ...answers].join("\n");
    // Pressed twice before the page has walked on: it is the same reading.
    if (pressed.current === key || typed.trim() === "") {
      return;
    }
    pressed.current = key;
    setProblem(null);
    const station = current;
    const id = v7();
    if (aloud) {
      unsaid.current.add(id);
    }
    send(
      {
        kind: "storeReading",
        id,
        walkRoundId: round.id,
        station,
        from,
        typed,
        answers,
        takenAt: new Date().toISOString(),
        supersedes: wrong,
        reason: wrong ? reason : null,
        ownMark: from === "own" ? ownMark : null,
        instrument: live?.instrument ?? null,
        instrumentId: live ? null : tape.id,
        raised,
        changed,
      },
      `${stationWords(station)} ${typed}`,
    ).catch((e: unknown) => {
      if (unsaid.current.delete(id)) {
        say(`${stationWords(station)}, not stored. ${asError(e).message}`);
      }
      const refused = {
        station,
        typed,
        from: datum,
        wrong,
        reason,
        problem: asError(e),
      };
      // The answer comes back to its station, with the text in it; whoever has begun to type somewhere else is not torn away.
      if (typing.current) {
        setBack(refused);
      } else {
        goBack(refused);
      }
    });
    // The outbox has it: the hands go on at once.
    clearText();
    typing.current = false;
    setReason("");
    if (back) {
      goBack(back);
    } else {
      walkOn(station);
    }
  };

  const skip = async (why: string) => {
    setProblem(null);
    try {
      await send(
        {
          kind: "passOver",
          id: v7(),
          walkRoundId: round.id,
          station: current,
          measure: null,
          place: null,
          why,
          takenAt: new Date().toISOString(),
        },
        `${stationWords(current)} passed over`,
      );
      walkOn(current);
      return true;
    } catch (e) {
      setProblem(asError(e));
      return false;
    }
  };

  return {
    stance,
    order,
    current,
    isDone,
    division,
    from,
    setDatum,
    ownMark,
    setOwnMark,
    text,
    setText: (next: string) => {
      pressed.current = null;
      typing.current = next.trim() !== "";
      setText(next);
      setGiven([]);
      setProblem(null);
    },
    echo: asked === "" ? undefined : echo.data,
    mm: asked === "" ? null : (echo.data?.mm ?? null),
    wrong,
    setWrong,
    reason,
    setReason,
    given,
    setGiven,
    problem,
    raised,
    setRaised,
    changed,
    setChanged,
    choose,
    walk,
    store,
    /** What was refused after the hands had gone on, while something else is being typed. */
    back,
    goBack: () => {
      if (back) {
        goBack(back);
      }
    },
    skip,
    tape,
    aloud,
    setAloud,
  };
}

export type Entry = ReturnType<typeof useEntry>;
