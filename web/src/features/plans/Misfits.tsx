import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { JobView, Schemas } from "../../api/client";
import { useJob, useSend } from "../../api/job";
import { BothWays } from "../../shared/BothWays";
import { asError, at } from "../../shared/ProblemNote";
import { useOnce } from "../../shared/useOnce";

/** Parts that do not fit, each with a place for the reason why it goes in all the same; and what nobody knows. */
export function Misfits({
  plan,
  misfits,
}: {
  plan: Schemas["Plan"];
  misfits: Schemas["Misfit"][];
}) {
  const not = misfits.filter((m) => m.known);
  const unknown = misfits.filter((m) => !m.known);
  return (
    <>
      {not.length > 0 && (
        <Box component="section" aria-labelledby="misfits" sx={{ my: 1.5 }}>
          <Typography id="misfits" variant="h2">
            Does not fit
          </Typography>
          {not.map((m) => (
            <Not
              key={`${m.where} ${m.part} ${m.says}`}
              plan={plan}
              misfit={m}
            />
          ))}
        </Box>
      )}
      {unknown.length > 0 && (
        <Typography sx={{ my: 1 }}>
          ? Nobody noted whether{" "}
          {[...new Set(unknown.map((m) => m.part))].join(", ")}{" "}
          {unknown.length === 1 ? "fits" : "fit"} this vehicle: look before it
          goes up.
        </Typography>
      )}
    </>
  );
}

const reasonOf = (
  plan: Schemas["Plan"] | undefined,
  misfit: Schemas["Misfit"],
) =>
  plan?.anyway?.find((a) => a.part === misfit.part && a.says === misfit.says)
    ?.reason ?? null;

function Not({
  plan,
  misfit,
}: {
  plan: Schemas["Plan"];
  misfit: Schemas["Misfit"];
}) {
  const view = useJob();
  const send = useSend();
  const once = useOnce();
  const [reason, setReason] = useState("");
  const [problem, setProblem] = useState<Error | null>(null);
  // The plan says it as soon as it is written here; what is foretold follows when the server has it.
  const written = reasonOf(plan, misfit);
  const say = (words: string | null, over: JobView = view) =>
    once(async () => {
      setProblem(null);
      try {
        await send(
          {
            kind: "fitAnyway",
            id: plan.id,
            version: over.versions[plan.id] ?? 0,
            part: misfit.part,
            says: misfit.says,
            reason: words,
          },
          "why it goes in all the same",
        );
        setReason("");
      } catch (e) {
        setProblem(asError(e));
      }
    });
  const planIn = (fresh: JobView) =>
    fresh.document.plans.find((p) => p.id === plan.id);
  const label = `Why ${misfit.part} goes in all the same, ${misfit.where}`;
  return (
    <Box sx={{ borderLeft: 4, borderColor: "error.main", pl: 1.5, my: 1 }}>
      <b>
        ■ {misfit.part}, {misfit.where}
      </b>
      : {misfit.says}.
      {written !== null ? (
        <Box>
          Goes in all the same: {written}{" "}
          <Button
            aria-label={`Take that back: ${misfit.part}`}
            onClick={() => {
              void say(null);
            }}
          >
            Take that back
          </Button>
        </Box>
      ) : (
        <Box
          component="form"
          onSubmit={(e) => {
            e.preventDefault();
            if (reason.trim() === "") {
              setProblem(new Error("Write why: it stays on the record."));
            } else {
              void say(reason);
            }
          }}
          sx={{ display: "flex", flexWrap: "wrap", gap: 1, mt: 0.5 }}
        >
          <TextField
            label={label}
            size="small"
            value={reason}
            onChange={(e) => {
              setReason(e.target.value);
            }}
            sx={{ flex: 1, minWidth: 240 }}
            {...at(problem, "reason")}
          />
          <Button
            type="submit"
            variant="outlined"
            aria-label={`Fit it all the same: ${misfit.part}`}
          >
            Fit it all the same
          </Button>
        </Box>
      )}
      <BothWays
        problem={problem}
        mine={{ [label]: reason }}
        theirs={(fresh) => ({ [label]: reasonOf(planIn(fresh), misfit) ?? "" })}
        onTheirs={() => {
          setProblem(null);
        }}
        onMine={(fresh) => say(reason || null, fresh)}
      />
    </Box>
  );
}
