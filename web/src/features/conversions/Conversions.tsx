import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { v7 } from "uuid";
import type { Schemas } from "../../api/client";
import { currentStage } from "../../api/document";
import { useJob, useSend } from "../../api/job";
import { asError, ProblemNote } from "../../shared/ProblemNote";
import { Surely } from "../../shared/Surely";
import { useOnce } from "../../shared/useOnce";
import { useSuspensionKinds } from "../../shared/useKinds";
import { conversionSays, type Axle } from "./conversion";
import { ConversionForm } from "./ConversionForm";

const ends = { front: "In front", rear: "At the rear" } as const;

/** Axles that get another suspension in a plan; where none does, how to say that one shall. */
export function Conversions({ plan }: { plan: Schemas["Plan"] | undefined }) {
  const view = useJob();
  const stage = currentStage(view.document);
  const kinds = useSuspensionKinds();
  const send = useSend();
  const once = useOnce();
  const [open, setOpen] = useState<Axle | null>(null);
  const [freshId] = useState(() => v7());
  const [problem, setProblem] = useState<Error | null>(null);
  const said = (kind: Schemas["SuspensionKind"]) =>
    kinds.find((k) => k.kind === kind)?.said ?? "";
  const keep = (axle: Axle) =>
    once(async () => {
      setProblem(null);
      try {
        await send(
          {
            kind: "keepSuspension",
            planId: plan?.id ?? "",
            version: view.versions[plan?.id ?? ""] ?? 0,
            axle,
          },
          `the ${axle} suspension that stays`,
        );
      } catch (e) {
        setProblem(asError(e));
      }
    });
  const of = (axle: Axle) => plan?.conversions?.find((c) => c.axle === axle);
  return (
    <Box component="section" aria-label="Another suspension" sx={{ my: 2 }}>
      {(["front", "rear"] as const).map((axle) => {
        const conversion = of(axle);
        return (
          conversion &&
          open !== axle && (
            <Box
              key={axle}
              sx={{
                borderLeft: 4,
                borderColor: "primary.main",
                pl: 1.5,
                my: 1,
              }}
            >
              <Typography variant="h2">
                {ends[axle]}: {said(conversion.to.kind)}
              </Typography>
              <Typography>
                {conversionSays(conversion, stage[axle].kind, kinds)}
              </Typography>
              <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, mt: 0.5 }}>
                <Button
                  variant="outlined"
                  onClick={() => {
                    setOpen(axle);
                  }}
                >
                  Correct the {axle} conversion
                </Button>
                <Surely
                  says={`Keep the old ${axle} suspension`}
                  sure="Yes, the old one stays"
                  act={() => keep(axle)}
                />
              </Box>
            </Box>
          )
        );
      })}
      <ProblemNote problem={problem} />
      {open ? (
        <ConversionForm
          key={open}
          axle={open}
          plan={{
            id: plan?.id ?? freshId,
            version: plan ? (view.versions[plan.id] ?? null) : null,
          }}
          stored={of(open)}
          now={stage[open].kind}
          kinds={kinds}
          onDone={() => {
            setOpen(null);
          }}
        />
      ) : (
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}>
          {(["front", "rear"] as const)
            .filter((axle) => !of(axle))
            .map((axle) => (
              <Button
                key={axle}
                onClick={() => {
                  setOpen(axle);
                }}
              >
                Another suspension{" "}
                {axle === "front" ? "in front" : "at the rear"}
              </Button>
            ))}
        </Box>
      )}
    </Box>
  );
}
