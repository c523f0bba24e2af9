import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useRef } from "react";
import type { JobView, Schemas } from "../../api/client";
import { useJob } from "../../api/job";
import { jointWords } from "../../api/words";
import { useUnit } from "../../shared/Length";
import { typed as quantity } from "../../shared/quantity";
import { passesOver, torqueText, type TorqueUnit } from "./torque";

/** What is typed for one joint of a closing step. */
export interface Typed {
  value: string;
  angle: string;
  seen: boolean;
}

const nothing: Typed = { value: "", angle: "", seen: false };

/** The joints of a closing step that have not made its pass yet, in its order. */
function waiting(view: JobView, step: Schemas["CardStep"], plan: string) {
  const rank = { hand: 0, snug: 1, final: 2 };
  const pass = step.pass ?? "final";
  return step.joints.flatMap((place) => {
    const joint = view.document.joints.find(
      (j) => j.place === place && !j.none,
    );
    const made = joint
      ? passesOver(view.document, joint.id, plan).some(
          (e) => rank[e.pass] >= rank[pass],
        )
      : true;
    return joint && !made ? [joint] : [];
  });
}

/** What each joint reached, as it is sent. */
export function reachedOf(
  view: JobView,
  step: Schemas["CardStep"],
  plan: string,
  typed: Record<string, Typed>,
  unit: TorqueUnit,
  wrench: string | null,
): Schemas["ReachedInput"][] {
  return waiting(view, step, plan).flatMap((joint) => {
    const its = typed[joint.id] ?? nothing;
    return its.value || its.seen
      ? [
          {
            jointId: joint.id,
            value: its.value ? quantity(its.value, unit) : null,
            angle: its.angle ? quantity(its.angle, "°") : null,
            seen: its.seen,
            tool: its.value ? "torque wrench" : null,
            instrumentId: its.value ? wrench : null,
          },
        ]
      : [];
  });
}

/** The joints of a closing step: a field each where it is final; Enter walks on. */
export function Reached({
  step,
  plan,
  typed,
  onTyped,
  onLast,
}: {
  step: Schemas["CardStep"];
  plan: string;
  typed: Record<string, Typed>;
  onTyped: (typed: Record<string, Typed>) => void;
  onLast: () => void;
}) {
  const view = useJob();
  const unit = useUnit() === "in" ? "lb·ft" : "N·m";
  const list = useRef<HTMLOListElement>(null);
  const open = waiting(view, step, plan);
  const set = (id: string, part: Partial<Typed>) => {
    onTyped({ ...typed, [id]: { ...(typed[id] ?? nothing), ...part } });
  };
  const walkOn = (from: HTMLElement) => {
    const fields = [
      ...(list.current?.querySelectorAll<HTMLElement>("input, button") ?? []),
    ];
    const next = fields[fields.indexOf(from) + 1];
    if (next) {
      next.focus();
    } else {
      onLast();
    }
  };
  return (
    <Box
      component="ol"
      ref={list}
      sx={{ my: 1, pl: 3, display: "grid", gap: 0.75 }}
    >
      {step.joints.map((place) => {
        const joint = open.find((j) => j.place === place);
        const fasteners = view.card.joints
          .find((j) => j.place === place)
          ?.fasteners.map(
            (f) =>
              `${f.count.toString()} × ${f.position}${f.newPartOnly ? ", new" : ""}`,
          )
          .join("; ");
        return (
          <li key={place}>
            <Box
              sx={{
                display: "flex",
                flexWrap: "wrap",
                gap: 1,
                alignItems: "center",
                justifyContent: "space-between",
              }}
            >
              <Box sx={{ flex: "1 1 190px" }}>
                {joint ? "" : "✓ "}
                {place}
                <Typography
                  component="span"
                  color="text.secondary"
                  sx={{ display: "block", fontSize: "0.88rem" }}
                >
                  {fasteners}
                  {joint?.spec?.torque && ` · ${torqueText(joint.spec.torque)}`}
                  {joint?.spec?.angle &&
                    `, then ${joint.spec.angle.value.toString()}°`}
                  {joint &&
                    step.pass === "final" &&
                    !joint.spec &&
                    !jointWords[joint.kind].lookedAt &&
                    " · no spec yet: type it in the ledger"}
                </Typography>
              </Box>
              {joint && step.pass === "final" ? (
                jointWords[joint.kind].lookedAt ||
                (joint.spec && !joint.spec.torque) ? (
                  <Button
                    variant={typed[joint.id]?.seen ? "contained" : "outlined"}
                    aria-pressed={typed[joint.id]?.seen ?? false}
                    aria-label={`Seen: ${place}`}
                    onClick={(e) => {
                      set(joint.id, { seen: !typed[joint.id]?.seen });
                      walkOn(e.currentTarget);
                    }}
                  >
                    {typed[joint.id]?.seen
                      ? "✓ Seen"
                      : (joint.spec?.criterion ?? "Looked at")}
                  </Button>
                ) : (
                  <>
                    <TextField
                      size="small"
                      label={unit}
                      value={typed[joint.id]?.value ?? ""}
                      sx={{ width: 110 }}
                      slotProps={{
                        htmlInput: {
                          inputMode: "decimal",
                          "aria-label": `Reached at ${place}, ${unit}`,
                        },
                      }}
                      onChange={(e) => {
                        set(joint.id, { value: e.target.value });
                      }}
                      onKeyDown={(e) => {
                        if (e.key === "Enter") {
                          e.preventDefault();
                          walkOn(e.target as HTMLElement);
                        }
                      }}
                    />
                    {joint.spec?.angle && (
                      <TextField
                        size="small"
                        label="then, °"
                        value={typed[joint.id]?.angle ?? ""}
                        sx={{ width: 90 }}
                        onChange={(e) => {
                          set(joint.id, { angle: e.target.value });
                        }}
                      />
                    )}
                  </>
                )
              ) : null}
            </Box>
          </li>
        );
      })}
    </Box>
  );
}
