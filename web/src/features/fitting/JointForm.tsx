import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { v7 } from "uuid";
import { Press } from "../../shared/Press";
import type { Schemas } from "../../api/client";
import { supportNow } from "../../api/document";
import { useJob, useSend } from "../../api/job";
import type { InstrumentLine } from "../../api/stream";
import { Problem } from "../../api/problem";
import { useUnit } from "../../shared/Length";
import { asError, at, ProblemNote } from "../../shared/ProblemNote";
import { typed } from "../../shared/quantity";
import { ReadWith, useReadWith } from "../../shared/ReadWith";
import { useDraft } from "../../shared/useDraft";
import { jointWords, leftOpen } from "../../api/words";
import { positionWords } from "../../api/words";
import { passesOver, torqueText } from "./torque";
import { PhotographButton } from "../jobs/Photographs";
import { CorrectJoint } from "./CorrectJoint";
import { JointDrawing } from "./JointDrawing";
import { alsoCalled } from "./joints";
import { OtherwiseThere, specOffers } from "./Offers";
import { SpecForm } from "./SpecForm";
import { TorqueWrench } from "./TorqueWrench";

function peakText(line: InstrumentLine): string {
  return line.value.toFixed(1);
}

/** The spec of one joint, its passes, and the next one. */
export function JointForm({
  joint,
  twin,
  earlier,
  plan,
}: {
  joint: Schemas["Joint"];
  /** The spec of the same joint on the other side, where this one has none. */
  twin: Schemas["JointSpec"] | null;
  /** What earlier vehicles of the platform had here. */
  earlier: Schemas["OfferedJoint"] | undefined;
  plan: string;
}) {
  const view = useJob();
  const d = view.document;
  const send = useSend();
  const torqueUnit = useUnit() === "in" ? "lb·ft" : "N·m";
  const [value, setValue] = useState("");
  const [peak, setPeak] = useState<InstrumentLine | null>(null);
  const [tool, setTool] = useDraft("tool", "torque wrench");
  const wrench = useReadWith("torqueWrench");
  const [seen, setSeen] = useState(false);
  const [reason, setReason] = useState("");
  const [problem, setProblem] = useState<Error | null>(null);
  const [raised, setRaised] = useState(false);
  const hangs = supportNow(d, joint.where)?.position === "hanging";
  const position = !hangs ? "onWheels" : raised ? "raisedToHeight" : "hanging";
  const entries = passesOver(d, joint.id, plan);
  const gate = problem instanceof Problem && problem.field === "reason";
  const lookedAt = jointWords[joint.kind].lookedAt;
  const also = alsoCalled(joint.place);

  const attempt = async (act: () => Promise<unknown>) => {
    setProblem(null);
    try {
      await act();
    } catch (e) {
      setProblem(asError(e));
    }
  };
  const tighten = (pass: Schemas["Pass"]) =>
    attempt(async () => {
      await send(
        {
          kind: "tightenJoint",
          id: v7(),
          jointId: joint.id,
          pass,
          value: pass === "final" ? typed(value, torqueUnit) : null,
          criterionSeen: pass === "final" && seen,
          // Only what a wrench sent is said to be read with it.
          tool:
            pass === "final" && peak && value === peakText(peak)
              ? `${peak.instrument} ${peak.serial}`
              : tool,
          instrumentId: pass === "final" && value ? wrench.id : null,
          position,
          reason: reason || null,
        },
        `${joint.place} ${pass}`,
      );
      setReason("");
    });

  return (
    <Box sx={{ p: 1, display: "grid", gap: 1.25 }}>
      <Box sx={{ display: "flex", gap: 1.5, alignItems: "center" }}>
        <JointDrawing kind={joint.kind} />
        <Typography color="text.secondary">
          {jointWords[joint.kind].said}.{" "}
          {joint.fasteners
            .map(
              (f) =>
                `${f.count.toString()} × ${f.position}${f.newPartOnly ? ", new" : ""}`,
            )
            .join("; ")}
          {joint.order && `, ${joint.order}`}. Now {positionWords[position]}.
          {also.length > 0 && ` Also called: ${also.join(", ")}.`}
        </Typography>
      </Box>
      {hangs && joint.where.length === 2 && !lookedAt && (
        <Button
          size="small"
          variant={raised ? "contained" : "outlined"}
          aria-pressed={raised}
          sx={{ justifySelf: "start" }}
          onClick={() => {
            setRaised(!raised);
          }}
        >
          Hub raised on its arm to the taped height
        </Button>
      )}
      <OtherwiseThere offer={earlier} confirmed={joint.spec !== null} />
      {!lookedAt && (
        <SpecForm joint={joint} offers={specOffers(twin, earlier)} />
      )}
      <Box sx={{ display: "grid", gap: 1, gridTemplateColumns: "1fr 1fr" }}>
        {lookedAt || (joint.spec && !joint.spec.torque) ? (
          <Button
            variant={seen ? "contained" : "outlined"}
            aria-pressed={seen}
            onClick={() => {
              setSeen(!seen);
            }}
          >
            {seen ? "✓ Seen" : lookedAt ? "Looked at" : "Criterion seen"}
          </Button>
        ) : (
          <TextField
            label={`Value reached, ${torqueUnit}`}
            value={value}
            onChange={(e) => {
              setValue(e.target.value);
            }}
            {...at(problem, "value")}
          />
        )}
        {joint.spec?.torque && <ReadWith with={wrench} label="Pulled with" />}
        <TextField
          label="Tool"
          value={tool}
          onChange={(e) => {
            setTool(e.target.value);
          }}
        />
      </Box>
      {joint.spec?.torque && (
        <TorqueWrench
          place={joint.place}
          target={joint.spec.torque}
          unit={torqueUnit}
          onPeak={(line) => {
            setPeak(line);
            setValue(peakText(line));
          }}
        />
      )}
      <Box
        sx={{ display: "grid", gap: 1, gridTemplateColumns: "repeat(3, 1fr)" }}
      >
        <Press variant="outlined" act={() => tighten("hand")}>
          By hand
        </Press>
        <Press variant="outlined" act={() => tighten("snug")}>
          Snug
        </Press>
        <Press variant="contained" act={() => tighten("final")}>
          Final
        </Press>
      </Box>
      <ProblemNote problem={problem} />
      {gate && (
        <TextField
          label="Why it was done all the same (goes on the record)"
          value={reason}
          onChange={(e) => {
            setReason(e.target.value);
          }}
        />
      )}
      <Box
        sx={{ display: "flex", flexWrap: "wrap", gap: 1, alignItems: "center" }}
      >
        <PhotographButton of={`joint:${joint.id}`} caption={joint.place} />
      </Box>
      <CorrectJoint joint={joint} />
      {["bondedRubber", "springEye"].includes(joint.kind) &&
        entries.at(-1)?.pass !== "final" && <LeaveOpen joint={joint} />}
      {entries.length > 0 && (
        <Typography color="text.secondary" sx={{ fontSize: "0.9rem" }}>
          {entries
            .map(
              (e) =>
                `${e.pass}${e.value ? ` ${torqueText(e.value)}` : ""}, ${positionWords[e.position]}, ${d.people.find((p) => p.id === e.personId)?.name ?? ""}`,
            )
            .join(" → ")}
        </Typography>
      )}
    </Box>
  );
}

/** Heights are not judged while rubber is open; where it stays so, that is written down. */
function LeaveOpen({ joint }: { joint: Schemas["Joint"] }) {
  const send = useSend();
  const d = useJob().document;
  const [why, setWhy] = useState("");
  const [problem, setProblem] = useState<Error | null>(null);
  const leave = async () => {
    setProblem(null);
    try {
      await send(
        { kind: "leaveJoint", id: v7(), jointId: joint.id, why },
        `${joint.place} left open`,
      );
      setWhy("");
    } catch (e) {
      setProblem(asError(e));
    }
  };
  const left = d.deviations.findLast(
    (x) => x.where === joint.place && x.did === leftOpen,
  );
  if (left) {
    return <Typography>▲ Left open, in writing: {left.why}</Typography>;
  }
  return (
    <details>
      <summary>It stays open</summary>
      <Box sx={{ display: "grid", gap: 1, mt: 1 }}>
        <TextField
          label="Why"
          value={why}
          onChange={(e) => {
            setWhy(e.target.value);
          }}
          error={at(problem, "why").error}
          helperText={
            at(problem, "why").helperText ??
            "It goes on the record, and the verdict carries a mark."
          }
        />
        <Press variant="outlined" act={() => leave()}>
          Leave it open
        </Press>
        {!at(problem, "why").error && <ProblemNote problem={problem} />}
      </Box>
    </details>
  );
}
