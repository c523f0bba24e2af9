import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { Press } from "../../shared/Press";
import type { Schemas } from "../../api/client";
import { useSeenVersion, useSend } from "../../api/job";
import { jointWords } from "../../api/words";
import { useUnit } from "../../shared/Length";
import { asError, at, ProblemNote } from "../../shared/ProblemNote";
import { typed } from "../../shared/quantity";

type Fastener = Schemas["FastenerInput"];

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
  const short = useUnit() === "in" ? "in" : "mm";
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
  const set = (i: number, part: Partial<Fastener>) => {
    setFasteners(fasteners.map((f, k) => (k === i ? { ...f, ...part } : f)));
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
        {fasteners.map((f, i) => {
          const n = i.toString();
          return (
            <Box
              key={n}
              sx={{
                display: "grid",
                gap: 1,
                gridTemplateColumns: "repeat(auto-fill, minmax(120px, 1fr))",
              }}
            >
              <TextField
                label="Which"
                value={f.position}
                onChange={(e) => {
                  set(i, { position: e.target.value });
                }}
                {...at(problem, `fasteners[${n}].position`)}
              />
              <TextField
                label="How many"
                value={f.count === 0 ? "" : f.count}
                onChange={(e) => {
                  set(i, { count: Number(e.target.value.replace(/\D/g, "")) });
                }}
                {...at(problem, `fasteners[${n}].count`)}
              />
              <TextField
                label="Thread, e.g. M12 × 1.25"
                value={f.thread ?? ""}
                onChange={(e) => {
                  set(i, { thread: e.target.value });
                }}
              />
              <TextField
                label="Wrench as found"
                value={f.wrench ?? ""}
                onChange={(e) => {
                  set(i, { wrench: e.target.value });
                }}
              />
              {(["lengthFound", "lengthNeeded"] as const).map((field) => (
                <TextField
                  key={field}
                  label={`Length ${field === "lengthFound" ? "found" : "needed"}, ${f[field]?.unit ?? short}`}
                  value={f[field]?.typed ?? ""}
                  onChange={(e) => {
                    set(i, {
                      [field]: typed(e.target.value, f[field]?.unit ?? short),
                    });
                  }}
                  {...at(problem, `fasteners[${n}].${field}`)}
                />
              ))}
              <TextField
                label="Threadlocker or oil"
                value={f.threadlocker ?? ""}
                placeholder="dry"
                onChange={(e) => {
                  set(i, { threadlocker: e.target.value });
                }}
              />
              <FormControlLabel
                label="new part only"
                control={
                  <Checkbox
                    checked={f.newPartOnly}
                    onChange={(_, on) => {
                      set(i, { newPartOnly: on });
                    }}
                  />
                }
              />
            </Box>
          );
        })}
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
