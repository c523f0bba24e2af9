import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Press } from "../../shared/Press";
import type { JobView, Schemas } from "../../api/client";
import { useJob, useSeenVersion, useSend } from "../../api/job";
import { Problem } from "../../api/problem";
import { BothWays, type Lines } from "../../shared/BothWays";
import { useUnit } from "../../shared/Length";
import { asError, at } from "../../shared/ProblemNote";
import { typed } from "../../shared/quantity";
import { useDraft } from "../../shared/useDraft";
import { otherSide } from "./joints";
import { SpecOffers, type SpecOffer } from "./Offers";
import { torqueField, torqueSaid, torqueText } from "./torque";

const none = { torque: "", angle: "", criterion: "", source: "" };

const lines = (torque: string, criterion: string, source: string): Lines => ({
  Torque: torque,
  "What to see": criterion,
  "From which sheet or page": source,
});

/** The spec of a joint from the fitter's own service information; it is typed once and can be put right. */
export function SpecForm({
  joint,
  offers,
}: {
  joint: Schemas["Joint"];
  offers: SpecOffer[];
}) {
  const send = useSend();
  const unit = useUnit() === "in" ? "lb·ft" : "N·m";
  const [spec, setSpec, clear] = useDraft(`spec.${joint.id}`, none);
  const [open, setOpen] = useState(false);
  const [problem, setProblem] = useState<Error | null>(null);
  const seen = useSeenVersion(joint.id);
  const stale = problem instanceof Problem && problem.field === "version";
  const view = useJob();
  const other = otherSide(joint, view.document.joints);
  const keep = (of: Schemas["Joint"], version: number) =>
    send(
      {
        kind: "setSpec",
        id: of.id,
        version,
        torque: typed(spec.torque, unit, "document"),
        angle: spec.angle ? typed(spec.angle, "°", "document") : null,
        criterion: spec.criterion || null,
        source: spec.source,
      },
      `spec of ${of.place}`,
    );
  const save = async (version: number, both = false) => {
    setProblem(null);
    try {
      seen.saved(await keep(joint, version));
      if (both && other) {
        await keep(other, view.versions[other.id] ?? 0);
      }
      clear();
      setOpen(false);
    } catch (e) {
      setProblem(asError(e));
    }
  };
  const done = (fresh: JobView) => {
    seen.see(fresh);
    setProblem(null);
    clear();
    setOpen(false);
  };
  if (joint.spec && !open && !stale) {
    return (
      <Box
        sx={{ display: "flex", flexWrap: "wrap", gap: 1, alignItems: "center" }}
      >
        <Typography>
          Spec:{" "}
          <b>
            {joint.spec.torque
              ? torqueText(joint.spec.torque)
              : joint.spec.criterion}
            {joint.spec.angle && `, then ${joint.spec.angle.value.toString()}°`}
          </b>
          , {joint.spec.source}
        </Typography>
        <Button
          onClick={() => {
            setSpec({
              torque: joint.spec?.torque
                ? torqueField(joint.spec.torque, unit)
                : "",
              angle: joint.spec?.angle?.value.toString() ?? "",
              criterion: joint.spec?.criterion ?? "",
              source: joint.spec?.source ?? "",
            });
            setOpen(true);
          }}
        >
          Put it right
        </Button>
      </Box>
    );
  }
  return (
    <Box sx={{ display: "grid", gap: 1, gridTemplateColumns: "1fr 1fr" }}>
      <TextField
        label={`Torque, ${unit}`}
        value={spec.torque}
        onChange={(e) => {
          setSpec({ ...spec, torque: e.target.value });
        }}
        {...at(problem, "torque")}
      />
      <TextField
        label="then by an angle, °"
        value={spec.angle}
        onChange={(e) => {
          setSpec({ ...spec, angle: e.target.value });
        }}
        {...at(problem, "angle")}
      />
      <TextField
        label="or what to see"
        value={spec.criterion}
        onChange={(e) => {
          setSpec({ ...spec, criterion: e.target.value });
        }}
      />
      <TextField
        label="From which sheet or page"
        value={spec.source}
        onChange={(e) => {
          setSpec({ ...spec, source: e.target.value });
        }}
        {...at(problem, "source")}
      />
      <Box
        sx={{
          display: "flex",
          flexWrap: "wrap",
          gap: 1,
          gridColumn: other ? "1 / -1" : undefined,
        }}
      >
        <Press
          variant="outlined"
          act={() => save(seen.version)}
          sx={{ flex: 1 }}
        >
          Keep the spec
        </Press>
        {other && !joint.spec && (
          <Press
            variant="outlined"
            act={() => save(seen.version, true)}
            sx={{ flex: 1 }}
          >
            Keep it for both sides
          </Press>
        )}
        {joint.spec && (
          <Button
            onClick={() => {
              clear();
              setProblem(null);
              setOpen(false);
            }}
          >
            Leave it
          </Button>
        )}
      </Box>
      {!spec.torque && !spec.criterion && (
        <SpecOffers
          offers={offers}
          onTake={({ spec: its, source }) => {
            setSpec({
              torque: its.torque ? torqueField(its.torque, unit) : "",
              angle: its.angle?.value.toString() ?? "",
              criterion: its.criterion ?? "",
              source,
            });
          }}
        />
      )}
      <Box sx={{ gridColumn: "1 / -1" }}>
        <BothWays
          problem={problem}
          mine={lines(
            torqueSaid(spec.torque, unit),
            spec.criterion,
            spec.source,
          )}
          theirs={(fresh) => {
            const its = fresh.document.joints.find(
              (j) => j.id === joint.id,
            )?.spec;
            return lines(
              its?.torque ? torqueText(its.torque) : "",
              its?.criterion ?? "",
              its?.source ?? "",
            );
          }}
          onTheirs={done}
          onMine={(fresh) => {
            seen.see(fresh);
            return save(fresh.versions[joint.id] ?? 0);
          }}
        />
      </Box>
    </Box>
  );
}
