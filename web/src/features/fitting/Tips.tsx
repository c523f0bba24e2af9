import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { v7 } from "uuid";
import { Press } from "../../shared/Press";
import type { Schemas } from "../../api/client";
import { shop } from "../../api/job";
import { asError, at, ProblemNote } from "../../shared/ProblemNote";
import { useOnce } from "../../shared/useOnce";
import { useDraft } from "../../shared/useDraft";
import { useShopFits } from "./earlier";

/** What the shop has learned of the operations of a step; no rules. */
export function Tips({ step }: { step: Schemas["CardStep"] }) {
  const client = useQueryClient();
  const tips =
    useShopFits().data?.tips.filter((t) =>
      step.operations.includes(t.operation),
    ) ?? [];
  const operation = step.operations[0];
  const [text, setText, clear] = useDraft(`tip.${operation ?? ""}`, "");
  const [problem, setProblem] = useState<Error | null>(null);
  const once = useOnce();
  if (!operation) {
    return null;
  }
  const carry = async (command: Parameters<typeof shop>[0]) => {
    setProblem(null);
    try {
      await shop(command);
      await client.invalidateQueries({ queryKey: ["shop-fits"] });
      return true;
    } catch (e) {
      setProblem(asError(e));
      return false;
    }
  };
  return (
    <Box>
      {tips.map((t) => (
        <Typography key={t.id} sx={{ mt: 0.5 }}>
          <b>From the shop:</b> {t.text}{" "}
          <Typography component="span" color="text.secondary">
            {t.personName}, {t.at.slice(0, 10)}
          </Typography>
          <Press
            size="small"
            color="inherit"
            aria-label={`Take away the tip: ${t.text}`}
            act={() => carry({ kind: "dropTip", id: t.id })}
          >
            Take away
          </Press>
        </Typography>
      ))}
      <details>
        <summary>Leave a tip for the next one</summary>
        <Box sx={{ display: "flex", gap: 1, mt: 0.5 }}>
          <TextField
            label="What should the next one know?"
            value={text}
            multiline
            sx={{ flex: 1 }}
            onChange={(e) => {
              setText(e.target.value);
            }}
            {...at(problem, "text")}
          />
          <Button
            variant="outlined"
            onClick={() =>
              void once(async () => {
                if (
                  await carry({ kind: "addTip", id: v7(), operation, text })
                ) {
                  clear();
                }
              })
            }
          >
            Keep the tip
          </Button>
        </Box>
      </details>
      {!at(problem, "text").error && <ProblemNote problem={problem} />}
    </Box>
  );
}
