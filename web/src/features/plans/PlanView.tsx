import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import FormControlLabel from "@mui/material/FormControlLabel";
import Switch from "@mui/material/Switch";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { v7 } from "uuid";
import { api, must, type Schemas } from "../../api/client";
import { begunPlan, currentStage, draftPlan } from "../../api/document";
import { useJob, useSend } from "../../api/job";
import { Problem } from "../../api/problem";
import { ResultLength } from "../../shared/Length";
import { asError, ProblemNote } from "../../shared/ProblemNote";
import { usePreview } from "../jobs/JobLayout";
import { CornerColumn } from "./CornerColumn";
import { ShelfColumn } from "./ShelfColumn";

type Stacks = Schemas["CornerStack"][];

const corners = ["LF", "RF", "LR", "RR"];

function placings(stacks: Stacks): Schemas["CornerPlacings"][] {
  return stacks.map((s) => ({
    corner: s.corner,
    parts: s.parts.map((p) => ({ id: p.id, partId: p.partId })),
  }));
}

/** Stacks per corner, the shelf beside them, and what it will do. */
export default function PlanView() {
  const view = useJob();
  const d = view.document;
  const send = useSend();
  const navigate = useNavigate();
  const preview = usePreview();
  const stage = currentStage(d);
  const draft = draftPlan(d);
  const stacks = draft?.stacks ?? stage.stacks;
  const [axle, setAxle] = useState<"front" | "rear">("front");
  const [side, setSide] = useState<"both" | "left" | "right">("both");
  const [problem, setProblem] = useState<Error | null>(null);
  const [reason, setReason] = useState("");
  const shelf = useQuery({
    queryKey: ["parts"],
    queryFn: async () => must(await api.GET("/api/parts")),
  });
  const prediction = view.results.predictions.find(
    (p) => p.planId === draft?.id,
  );

  const with_ = (part: Schemas["Part"]): Stacks => {
    const both = axle === "front" ? ["LF", "RF"] : ["LR", "RR"];
    const targets = both.filter(
      (c) => side === "both" || (side === "left") === c.startsWith("L"),
    );
    return corners.map((corner) => {
      const parts = stacks.find((s) => s.corner === corner)?.parts ?? [];
      return {
        corner,
        parts: targets.includes(corner)
          ? [...parts, { ...part, id: v7(), partId: part.id }]
          : parts,
      };
    });
  };

  const save = async (next: Stacks) => {
    setProblem(null);
    preview(null);
    const id = draft?.id ?? v7();
    try {
      await send(
        "PUT",
        `/plans/${id}`,
        {
          version: draft ? view.versions[draft.id] : null,
          fromStageId: stage.id,
          name: draft?.name ?? "Plan A",
          stacks: placings(next),
        },
        "the plan",
      );
    } catch (e) {
      setProblem(asError(e));
    }
  };

  const tryOut = async (part: Schemas["Part"] | null) => {
    if (!part) {
      preview(null);
      return;
    }
    const answer = await api.POST("/api/jobs/{job}/plans/preview", {
      params: { path: { job: d.job.id } },
      body: { fromStageId: stage.id, stacks: placings(with_(part)) },
    });
    if (answer.data) {
      preview(answer.data);
    }
  };

  const begin = async () => {
    if (!draft) {
      return;
    }
    setProblem(null);
    try {
      await send(
        "POST",
        `/plans/${draft.id}/begin`,
        {
          version: view.versions[draft.id],
          stageId: v7(),
          frozenId: v7(),
          deviationId: v7(),
          reason: reason || null,
        },
        "the beginning of the fitting",
      );
      await navigate(`/jobs/${d.job.id}/fit`);
    } catch (e) {
      setProblem(asError(e));
    }
  };

  const gate = problem instanceof Problem && problem.field === "reason";
  return (
    <Box>
      <Box
        sx={{
          display: "flex",
          flexWrap: "wrap",
          gap: 2,
          alignItems: "baseline",
        }}
      >
        <Typography variant="h1">
          {begunPlan(d) ? "Second pass" : "Plan"}
        </Typography>
        <Typography sx={{ flex: 1, minWidth: 240 }} color="text.secondary">
          {begunPlan(d)
            ? `From ${stage.name}, as it stands now. What stays in changes nothing.`
            : "Choose where, then put parts in from the shelf. The band above follows."}
        </Typography>
      </Box>
      <Box
        sx={{
          display: "grid",
          gap: 3,
          mt: 1,
          gridTemplateColumns: {
            xs: "minmax(0,1fr)",
            md: "minmax(0,1.5fr) minmax(0,1fr)",
          },
        }}
      >
        <Box>
          <Box
            sx={{
              display: "grid",
              gridTemplateColumns: { xs: "1fr 1fr", sm: "repeat(4, 1fr)" },
              gap: 1,
            }}
          >
            {corners.map((corner) => (
              <CornerColumn
                key={corner}
                corner={corner}
                vehicle={d.vehicle}
                parts={stacks.find((s) => s.corner === corner)?.parts ?? []}
                chosen={
                  (axle === "front") === corner.endsWith("F") &&
                  (side === "both" ||
                    (side === "left") === corner.startsWith("L"))
                }
                onChoose={() => {
                  setAxle(corner.endsWith("F") ? "front" : "rear");
                  if (side !== "both") {
                    setSide(corner.startsWith("L") ? "left" : "right");
                  }
                }}
                onTakeOut={(id) => {
                  const gone = stacks
                    .flatMap((s) => s.parts)
                    .find((p) => p.id === id);
                  const twin = (p: Schemas["PlacedPart"]) =>
                    side === "both" &&
                    gone?.partId !== null &&
                    p.partId === gone?.partId;
                  void save(
                    stacks.map((s) => ({
                      ...s,
                      parts: s.parts.filter(
                        (p) =>
                          p.id !== id &&
                          !(
                            s.corner.endsWith(corner.slice(1)) &&
                            s.corner !== corner &&
                            twin(p)
                          ),
                      ),
                    })),
                  );
                }}
              />
            ))}
          </Box>
          <FormControlLabel
            control={
              <Switch
                checked={side !== "both"}
                onChange={(e) => {
                  setSide(e.target.checked ? "left" : "both");
                }}
              />
            }
            label="One side only, on purpose"
          />
          <Says prediction={prediction} />
          <Box sx={{ display: "grid", gap: 1, mt: 1.5, maxWidth: 520 }}>
            <ProblemNote problem={problem} />
            {gate && (
              <TextField
                label="Why begin all the same"
                value={reason}
                onChange={(e) => {
                  setReason(e.target.value);
                }}
              />
            )}
            {draft && (
              <Button variant="contained" onClick={() => void begin()}>
                {gate ? "Begin with this reason" : "Agreed: begin the fitting"}
              </Button>
            )}
          </Box>
        </Box>
        <ShelfColumn
          parts={shelf.data ?? []}
          axle={axle}
          side={side}
          onTry={(part) => void tryOut(part)}
          onPlace={(part) => void save(with_(part))}
        />
      </Box>
    </Box>
  );
}

/** What the plan will do, and on what that rests. */
function Says({
  prediction,
}: {
  prediction: Schemas["Prediction"] | undefined;
}) {
  if (!prediction) {
    return null;
  }
  if (prediction.cannot !== null) {
    return <Typography sx={{ mt: 1 }}>▲ {prediction.cannot}</Typography>;
  }
  return (
    <Box sx={{ mt: 1 }}>
      {prediction.refusals.map((r) => (
        <Typography
          key={r}
          role="alert"
          sx={{ color: "error.main", fontWeight: 700 }}
        >
          ■ {r}
        </Typography>
      ))}
      <Box
        component="dl"
        sx={{
          display: "grid",
          gridTemplateColumns: "repeat(auto-fill, minmax(165px, 1fr))",
          gap: 1,
          m: 0,
        }}
      >
        {(
          [
            ["Front will rise", prediction.frontRise],
            ["Rear will rise", prediction.rearRise],
            ["Rake will be", prediction.rake],
          ] as const
        ).map(([name, result]) => (
          <Box key={name}>
            <Box
              component="dt"
              sx={{ color: "text.secondary", fontSize: "0.85rem" }}
            >
              {name}
            </Box>
            <Box
              component="dd"
              sx={{ m: 0, fontSize: "1.3rem", fontWeight: 700 }}
            >
              <ResultLength result={result} signed />
            </Box>
          </Box>
        ))}
      </Box>
      <Typography color="text.secondary" sx={{ mt: 0.5, fontSize: "0.92rem" }}>
        {prediction.basis.join(" ")}
      </Typography>
    </Box>
  );
}
