import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { Press } from "../../shared/Press";
import type { Schemas } from "../../api/client";
import { useSeenVersion, useSend } from "../../api/job";
import { jointWords } from "../../api/words";
import { asError, ProblemNote } from "../../shared/ProblemNote";
import { typed } from "../../shared/quantity";
import { FastenerFields, type Fastener } from "./FastenerFields";

const input = (f: Schemas["Fastener"]): Fastener => ({
  ...f,
  lengthFound:
    f.lengthFound && typed(f.lengthFound.value.toString(), f.lengthFound.unit),
  lengthNeeded:
    f.lengthNeeded &&
    typed(f.lengthNeeded.value.toString(), f.lengthNeeded.unit),
});

/** What holds a joint on this vehicle: counts, threads, wrench, locker, kind, or that there is none. It stays so for its next job. */
export function CorrectJoint({ joint }: { joint: Schemas["Joint"] }) {
  const send = useSend();
  const seen = useSeenVersion(joint.id);
  const [kind, setKind] = useState(joint.kind);
  const [fasteners, setFasteners] = useState(joint.fasteners.map(input));
  const [problem, setProblem] = useState<Error | null>(null);
  const save = async (none: boolean) => {
    setProblem(null);
    try {
      seen.saved(
        await send(
          {
            kind: "correctJoint",
            id: joint.id,
            version: seen.version,
            heldBy: kind,
            fasteners,
            order: joint.order,
            none,
          },
          joint.place,
        ),
      );
    } catch (e) {
      setProblem(asError(e));
    }
  };
  return (
    <details>
      <summary>What holds it on this vehicle: put it right</summary>
      <Box sx={{ display: "grid", gap: 1, mt: 1 }}>
        <TextField
          select
          label="Kind of joint"
          value={kind}
          onChange={(e) => {
            setKind(e.target.value as Schemas["JointKind"]);
          }}
        >
          {Object.entries(jointWords).map(([key, words]) => (
            <MenuItem key={key} value={key}>
              {words.said}
            </MenuItem>
          ))}
        </TextField>
        <FastenerFields
          fasteners={fasteners}
          problem={problem}
          all
          onChange={setFasteners}
        />
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}>
          <Press variant="outlined" act={() => save(false)}>
            {joint.none ? "It has one after all" : "Keep it so"}
          </Press>
          {!joint.none && (
            <Press act={() => save(true)}>This vehicle has none</Press>
          )}
          <Button
            onClick={() => {
              setFasteners([
                ...fasteners,
                {
                  position: "",
                  count: 1,
                  thread: null,
                  lengthFound: null,
                  lengthNeeded: null,
                  wrench: null,
                  newPartOnly: false,
                  threadlocker: null,
                },
              ]);
            }}
          >
            Others beside them
          </Button>
        </Box>
        <ProblemNote problem={problem} />
      </Box>
    </details>
  );
}
