import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Press } from "../../../shared/Press";
import type { Schemas } from "../../../api/client";
import { useSend } from "../../../api/job";
import { asError, ProblemNote } from "../../../shared/ProblemNote";
import { looksOf, toAsk } from "./looks";

const answers: [Schemas["Looks"], string][] = [
  ["leftLow", "The left"],
  ["level", "Neither"],
  ["rightLow", "The right"],
];

/** Before a lean is explained: which side looks lower? Asked where the tape shows one. */
export function LookQuestion({
  round,
  stance,
}: {
  round: Schemas["WalkRound"];
  stance: Schemas["WalkRoundStance"] | undefined;
}) {
  const send = useSend();
  const [problem, setProblem] = useState<Error | null>(null);
  const note = async (axle: Schemas["Axle"], looks: Schemas["Looks"]) => {
    setProblem(null);
    try {
      await send(
        {
          kind: "noteLook",
          id: round.id,
          axle,
          looks,
        },
        `how the ${axle} looks`,
      );
    } catch (e) {
      setProblem(asError(e));
    }
  };
  return (
    <>
      {toAsk(round, stance).map((axle) => (
        <Box
          key={axle}
          role="group"
          aria-label={`Which side looks lower, ${axle}`}
          sx={{ mt: 1.5 }}
        >
          <Typography sx={{ fontWeight: 650, mb: 0.5 }}>
            Which side looks lower{" "}
            {axle === "front" ? "in front, from ahead" : "behind"}?
          </Typography>
          <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
            {answers.map(([looks, word]) => {
              const on = looksOf(round, axle) === looks;
              return (
                <Press
                  key={looks}
                  variant={on ? "contained" : "outlined"}
                  aria-pressed={on}
                  act={() => note(axle, looks)}
                >
                  {on ? "✓ " : ""}
                  {word}
                </Press>
              );
            })}
          </Box>
        </Box>
      ))}
      <ProblemNote problem={problem} />
    </>
  );
}
