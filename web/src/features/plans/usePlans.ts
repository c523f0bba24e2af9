import { useState } from "react";
import { useNavigate } from "react-router";
import { v7 } from "uuid";
import type { JobView, Schemas } from "../../api/client";
import { currentStage, draftPlan, draftPlans } from "../../api/document";
import { useJob, useOutbox, useSend } from "../../api/job";
import { lettersOf } from "../../api/letters";
import { stacksOf } from "../../api/waitingPlans";
import { useUnit } from "../../shared/Length";
import { asError } from "../../shared/ProblemNote";
import { useParts } from "../../shared/useParts";
import { useOnce } from "../../shared/useOnce";
import { copied, nextName, placings, planLines, taken } from "./stacks";

/** A plan as it goes to the server. */
interface Sent {
  id: string;
  name: string;
  stacks: Schemas["CornerPlacingsInput"][];
  /** The plan of which a new one is a copy. */
  likePlanId?: string | null;
}

/** The plans that stand side by side, which of them is looked at, and everything that changes one. */
export function usePlans() {
  const view = useJob();
  const d = view.document;
  const send = useSend();
  const unit = useUnit();
  const navigate = useNavigate();
  const stage = currentStage(d);
  const { letters, failing } = useOutbox();
  const plans = draftPlans(d);
  const [looked, setLooked] = useState<string | null>(null);
  const [problem, setProblem] = useState<Error | null>(null);
  /** The plan as it was last sent from here. */
  const [sent, setSent] = useState<Sent | null>(null);
  const parts = (useParts().data ?? []).map((p) => p.part);
  const draft = plans.find((p) => p.id === looked) ?? draftPlan(d);
  const stacks = draft?.stacks ?? stage.stacks;
  const version = draft ? (view.versions[draft.id] ?? null) : null;

  const attempt = async (act: () => Promise<unknown>) => {
    setProblem(null);
    try {
      await act();
    } catch (e) {
      setProblem(asError(e));
    }
  };
  const once = useOnce();
  /** Pressed twice, it makes one. */
  const making = (act: () => Promise<unknown>) => once(() => attempt(act));
  const put = (plan: Sent, version: number | null) => {
    setSent(plan);
    return send(
      { kind: "savePlan", ...plan, version, fromStageId: stage.id },
      "the plan",
    );
  };
  const row = () => ({ id: draft?.id ?? "", version: version ?? 0 });

  return {
    plans,
    draft,
    stacks,
    /** Whether the plan that is looked at is not yet at the server as it is shown. */
    waits: lettersOf(letters, "savePlan").some((c) => c.id === draft?.id),
    /** What is on its way into the plan and is put in by the server; null where nothing is. */
    putInThere:
      lettersOf(letters, "placeKit").length > 0
        ? "The kit"
        : lettersOf(letters, "convertAxle").length > 0
          ? "The other suspension"
          : null,
    /** Whether the server cannot be asked now. */
    away: failing,
    problem,
    /** What both say where somebody else changed the same plan first, and the choice. */
    both: {
      mine: sent
        ? planLines(sent.name, stacksOf(sent.stacks, d, d.plans, parts), unit)
        : {},
      theirs: (fresh: JobView) => {
        const plan = fresh.document.plans.find((p) => p.id === sent?.id);
        return plan ? planLines(plan.name, plan.stacks, unit) : {};
      },
      onTheirs: () => {
        setProblem(null);
      },
      onMine: (fresh: JobView) =>
        attempt(async () => {
          if (sent) {
            await put(sent, fresh.versions[sent.id] ?? null);
          }
        }),
    },
    look: setLooked,
    keep: (next: Schemas["CornerPlacingsInput"][], name?: string) =>
      attempt(() =>
        put(
          {
            id: draft?.id ?? v7(),
            name: name ?? draft?.name ?? "Plan A",
            stacks: next,
          },
          version,
        ),
      ),
    rename(name: string) {
      return this.keep(placings(stacks), name);
    },
    add: () =>
      making(async () => {
        const id = v7();
        await put(
          {
            id,
            name: nextName(plans.map((p) => p.name)),
            stacks: copied(stacks, stage.stacks),
            likePlanId: draft?.id ?? null,
          },
          null,
        );
        setLooked(id);
      }),
    /** Puts a kit in; where nothing is planned yet, a plan begins with it. */
    putKit: (partId: string) =>
      making(() =>
        send(
          {
            kind: "placeKit",
            id: v7(),
            planId: draft?.id ?? v7(),
            version,
            partId,
          },
          "the kit",
        ),
      ),
    /** Takes stacks that were found as a plan of its own, and looks at it. */
    take: (found: Schemas["CornerStack"][]) =>
      making(async () => {
        const id = v7();
        await put(
          {
            id,
            name: nextName(plans.map((p) => p.name)),
            stacks: taken(found, stage.stacks),
          },
          null,
        );
        setLooked(id);
      }),
    choose: () =>
      attempt(() => send({ kind: "choosePlan", ...row() }, "the choice")),
    drop: () =>
      attempt(async () => {
        await send({ kind: "dropPlan", ...row() }, "the plan");
        setLooked(null);
      }),
    begin: (reason: string) =>
      attempt(async () => {
        await send(
          {
            kind: "beginFitting",
            ...row(),
            stageId: v7(),
            frozenId: v7(),
            deviationId: v7(),
            reason: reason || null,
          },
          "the beginning of the fitting",
        );
        await navigate(`/jobs/${d.job.id}/fit`);
      }),
  };
}
