import Box from "@mui/material/Box";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import type { Schemas } from "../../api/client";
import { suspensionEnds } from "../../api/words";
import type { Lines } from "../../shared/BothWays";
import { heightControls } from "./grade";

export interface Held {
  heightControl: Schemas["HeightControl"] | null;
  medium: Schemas["SpringMedium"] | null;
}

const free = "its springs alone";

/** What holds an axle, as lines of a choice between two people's. */
export const heldLines = (h: Held): Lines => ({
  ...(h.heightControl && {
    "Its height is held by": heightControls[h.heightControl],
  }),
  ...(h.medium === "air" && { "It is sprung by": "air" }),
});

/** Asks what holds an axle's height, and whether air springs it: both turn what lifts it, and what must be let out first. */
export function HeldHow({
  axle,
  kind,
  value,
  onChange,
}: {
  axle: "front" | "rear";
  kind: Schemas["SuspensionKind"];
  value: Held;
  onChange: (value: Held) => void;
}) {
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, mb: 1.5 }}>
      <TextField
        select
        label={`The ${axle} height is held by`}
        value={value.heightControl ?? ""}
        onChange={(e) => {
          onChange({
            ...value,
            heightControl: (e.target.value || null) as Held["heightControl"],
          });
        }}
        helperText="A controller lets out again what springs and plates lift, until its sensor's link is moved."
        fullWidth={false}
        sx={{ width: { xs: "100%", sm: 380 } }}
        slotProps={{
          inputLabel: { shrink: true },
          select: { displayEmpty: true },
        }}
      >
        <MenuItem value="">{free}</MenuItem>
        {(["oneSensor", "twoSensors"] as const).map((h) => (
          <MenuItem key={h} value={h}>
            a controller: {heightControls[h]}
          </MenuItem>
        ))}
      </TextField>
      {suspensionEnds[kind].spring === "coil" && (
        <TextField
          select
          label={`The ${axle} is sprung by`}
          value={value.medium ?? "steel"}
          onChange={(e) => {
            onChange({
              ...value,
              medium: e.target.value === "air" ? "air" : null,
            });
          }}
          helperText="Air is let out before anything of it is opened."
          fullWidth={false}
          sx={{ width: { xs: "100%", sm: 240 } }}
        >
          <MenuItem value="steel">steel coils</MenuItem>
          <MenuItem value="air">air</MenuItem>
        </TextField>
      )}
    </Box>
  );
}
