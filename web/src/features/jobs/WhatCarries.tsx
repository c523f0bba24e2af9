import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import type { Schemas } from "../../api/client";
import { vehicleWords } from "../../api/words";
import type { useSuspensionKinds } from "../../shared/useKinds";

/** How a vehicle is built. */
export interface Built {
  kind: Schemas["VehicleKind"];
  bodyKind: Schemas["BodyKind"];
  front: Schemas["SuspensionKind"];
  rear: Schemas["SuspensionKind"];
}

/** What usually carries a sort of vehicle. */
export function usuallyBuilt(kind: Built["kind"]): Built {
  const { bodyKind, front, rear } = vehicleWords[kind];
  return { kind, bodyKind, front, rear };
}

/** What carries it, in a line; whoever reads it sees what is only usual. */
export function carriesSays(
  built: Built,
  suspensions: ReturnType<typeof useSuspensionKinds>,
): string {
  const said = (kind: Built["front"]) =>
    suspensions.find((s) => s.kind === kind)?.said ?? "";
  const usual = usuallyBuilt(built.kind);
  const asUsual =
    usual.bodyKind === built.bodyKind &&
    usual.front === built.front &&
    usual.rear === built.rear;
  return `Front: ${said(built.front)} · rear: ${said(built.rear)} · ${bodyWords[built.bodyKind]}${asUsual ? ", as is usual" : ""}`;
}

export const bodyWords: Record<Built["bodyKind"], string> = {
  bodyOnFrame: "body on frame",
  unibody: "unibody",
};

/** The body, and the suspension of each axle by itself. */
export function WhatCarries({
  built,
  suspensions,
  onChange,
}: {
  built: Built;
  suspensions: ReturnType<typeof useSuspensionKinds>;
  onChange: (built: Partial<Built>) => void;
}) {
  return (
    <>
      <TextField
        select
        label="Body"
        value={built.bodyKind}
        onChange={(e) => {
          onChange({ bodyKind: e.target.value as Built["bodyKind"] });
        }}
      >
        {Object.entries(bodyWords).map(([kind, said]) => (
          <MenuItem key={kind} value={kind}>
            {said}
          </MenuItem>
        ))}
      </TextField>
      {(["front", "rear"] as const).map((axle) => (
        <TextField
          key={axle}
          select
          label={axle === "front" ? "Front suspension" : "Rear suspension"}
          // The list may still be on its way.
          value={suspensions.length > 0 ? built[axle] : ""}
          onChange={(e) => {
            onChange({ [axle]: e.target.value as Built["front"] });
          }}
        >
          {suspensions.map((s) => (
            <MenuItem key={s.kind} value={s.kind}>
              {s.said}
            </MenuItem>
          ))}
        </TextField>
      ))}
    </>
  );
}
