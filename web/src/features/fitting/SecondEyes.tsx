import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { v7 } from "uuid";
import type { Schemas } from "../../api/client";
import { useJob, useMe, useSend } from "../../api/job";
import { Press } from "../../shared/Press";
import { asError, ProblemNote } from "../../shared/ProblemNote";
import { passesOver, torqueText } from "./torque";

/** Another person looks, joint by joint; whoever worked on a joint cannot. */
export function SecondEyes({ plan }: { plan: string }) {
  const view = useJob();
  const me = useMe().data;
  const unlooked = new Set(view.fitting.unlooked);
  const joints = view.card.joints.flatMap((c) => {
    const joint = view.document.joints.find((j) => j.place === c.place);
    return joint ? [joint] : [];
  });
  const mine = joints.filter((j) =>
    passesOver(view.document, j.id, plan).some(
      (p) => p.personId === me?.personId,
    ),
  ).length;
  return (
    <Box sx={{ my: 1 }}>
      <Typography sx={{ fontWeight: 650 }}>
        {unlooked.size === 0
          ? "Every joint was looked over."
          : `${unlooked.size.toString()} of ${joints.length.toString()} joints to look over`}
        {mine > 0 &&
          unlooked.size > 0 &&
          `; you worked on ${mine.toString()} of them: those are another person's`}
      </Typography>
      <Box component="ul" sx={{ listStyle: "none", p: 0, m: 0 }}>
        {joints.map((joint) => (
          <Line
            key={joint.id}
            joint={joint}
            plan={plan}
            looked={!unlooked.has(joint.place)}
            open={
              view.jointLines.find((l) => l.jointId === joint.id)?.open ?? null
            }
          />
        ))}
      </Box>
    </Box>
  );
}

function Line({
  joint,
  plan,
  looked,
  open,
}: {
  joint: Schemas["Joint"];
  plan: string;
  looked: boolean;
  /** Why it is not closed: until it is there is nothing to look over. */
  open: string | null;
}) {
  const d = useJob().document;
  const me = useMe().data?.personId;
  const send = useSend();
  const [problem, setProblem] = useState<Error | null>(null);
  const passes = passesOver(d, joint.id, plan);
  const last = passes.at(-1);
  const mine = passes.some((p) => p.personId === me);
  const look = d.looks.findLast(
    (l) => l.jointId === joint.id && l.planId === plan,
  );
  return (
    <Box
      component="li"
      sx={{
        display: "flex",
        flexWrap: "wrap",
        gap: 1,
        alignItems: "center",
        borderBottom: 1,
        borderColor: "divider",
        py: 0.25,
      }}
    >
      <Box sx={{ flex: "1 1 200px" }}>
        {looked ? "✓ " : ""}
        {joint.place}
        {last?.value && ` · ${torqueText(last.value)}`}
        {looked &&
          look &&
          ` · ${d.people.find((p) => p.id === look.personId)?.name ?? ""}`}
      </Box>
      {!looked &&
        (open !== null || mine ? (
          <Typography sx={{ color: "warning.main", fontSize: "0.9rem", py: 1 }}>
            {open ?? "yours: another person looks"}
          </Typography>
        ) : (
          <Press
            variant="outlined"
            aria-label={`Looked over: ${joint.place}`}
            act={async () => {
              setProblem(null);
              try {
                await send(
                  { kind: "lookOver", id: v7(), jointId: joint.id },
                  `${joint.place} looked over`,
                );
              } catch (e) {
                setProblem(asError(e));
              }
            }}
          >
            Looked over
          </Press>
        ))}
      <ProblemNote problem={problem} />
    </Box>
  );
}
