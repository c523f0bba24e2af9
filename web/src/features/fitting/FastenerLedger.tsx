import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useJob } from "../../api/job";
import { CorrectJoint } from "./CorrectJoint";
import { useEarlier } from "./earlier";
import { JointForm } from "./JointForm";
import { isJoint } from "./joints";
import { passesOver, torqueText } from "./torque";

/** Every joint that is not closed, and why it must wait. */
export function FastenerLedger({ plan }: { plan: string }) {
  const view = useJob();
  const d = view.document;
  const earlier = useEarlier().joints;
  const [chosen, setChosen] = useState<string | null>(null);
  const [find, setFind] = useState("");
  const lines = view.jointLines.flatMap((line) => {
    const joint = d.joints.find((j) => j.id === line.jointId);
    const note = view.fitting.notes.find((n) => n.jointId === line.jointId);
    return joint ? [{ joint, open: line.open, note }] : [];
  });
  const open = lines.filter((l) => l.open !== null);
  const found = lines.filter((l) => isJoint(l.joint.place, find));
  return (
    <Box component="section">
      <Typography variant="h2">
        Fasteners:{" "}
        {open.length === 0 ? "all final" : `${open.length.toString()} open`}
      </Typography>
      {lines.length > 12 && (
        <TextField
          size="small"
          label="Find a joint, by any of its names"
          value={find}
          onChange={(e) => {
            setFind(e.target.value);
          }}
          sx={{ my: 1 }}
        />
      )}
      <Box component="ul" sx={{ listStyle: "none", p: 0, m: 0 }}>
        {found.map(({ joint, open: why, note }) => (
          <Box
            component="li"
            key={joint.id}
            sx={{ borderBottom: 1, borderColor: "divider", py: 0.25 }}
          >
            <Button
              color="inherit"
              fullWidth
              aria-expanded={chosen === joint.id}
              sx={{
                justifyContent: "space-between",
                textAlign: "left",
                gap: 2,
              }}
              onClick={() => {
                setChosen(chosen === joint.id ? null : joint.id);
              }}
            >
              <span>
                {why === null ? "● " : "○ "}
                {joint.place}
                {note?.again && " (opened again)"}
                {note?.differs &&
                  ` ▲ differs from the other side: ${note.differs}`}
                <Facts joint={joint} plan={plan} />
              </span>
              <Box
                component="span"
                sx={{
                  color: why ? "warning.main" : "success.main",
                  fontSize: "0.9rem",
                }}
              >
                {why ?? "final"}
              </Box>
            </Button>
            {chosen === joint.id && (
              <JointForm
                joint={joint}
                twin={
                  d.joints.find((j) => j.id === note?.offered)?.spec ?? null
                }
                earlier={earlier.find((o) => o.place === joint.place)}
                plan={plan}
              />
            )}
          </Box>
        ))}
        {found.length === 0 && find !== "" && (
          <li>No joint of this card is called that.</li>
        )}
      </Box>
      {d.joints.some((j) => j.none) && (
        <details>
          <summary>Not on this vehicle</summary>
          {d.joints
            .filter((j) => j.none)
            .map((j) => (
              <Box key={j.id} sx={{ py: 0.5 }}>
                {j.place}
                <CorrectJoint joint={j} />
              </Box>
            ))}
        </details>
      )}
    </Box>
  );
}

/** Fasteners, spec and what it reached, in a line. */
function Facts({ joint, plan }: { joint: Schemas["Joint"]; plan: string }) {
  const last = passesOver(useJob().document, joint.id, plan).at(-1);
  const said = [
    joint.fasteners
      .map(
        (f) =>
          `${f.count.toString()} × ${f.position}${f.newPartOnly ? ", new" : ""}`,
      )
      .join("; "),
    joint.spec?.torque && `spec ${torqueText(joint.spec.torque)}`,
    last?.value && `reached ${torqueText(last.value)}`,
    last?.angle && `and ${last.angle.value.toString()}°`,
  ].filter(Boolean);
  return said.length === 0 ? null : (
    <Typography
      component="span"
      color="text.secondary"
      sx={{ display: "block", fontSize: "0.85rem" }}
    >
      {said.join(" · ")}
    </Typography>
  );
}
