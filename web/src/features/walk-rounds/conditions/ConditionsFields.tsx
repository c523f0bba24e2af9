import Box from "@mui/material/Box";
import FormControlLabel from "@mui/material/FormControlLabel";
import MenuItem from "@mui/material/MenuItem";
import Switch from "@mui/material/Switch";
import TextField from "@mui/material/TextField";
import ToggleButton from "@mui/material/ToggleButton";
import Typography from "@mui/material/Typography";
import type { Schemas } from "../../../api/client";
import { useSettings } from "../../../shared/useSettings";
import { useUnit } from "../../../shared/Length";
import {
  modeWords,
  walkWords,
  wheels,
  type ConditionsText,
} from "./conditions";
import { FloorGuide } from "./FloorGuide";

const grid = {
  display: "grid",
  gap: 1.5,
  gridTemplateColumns: "repeat(auto-fill, minmax(150px, 1fr))",
};

/** How the vehicle stood, as switches with plain words; each says what it costs. */
export function ConditionsFields({
  value,
  onChange,
  walk = false,
}: {
  value: ConditionsText;
  onChange: (value: ConditionsText) => void;
  /** Whether the way of walking is asked for: in the first round. */
  walk?: boolean;
}) {
  const unit = useUnit();
  const { bays } = useSettings();
  const set = (change: Partial<ConditionsText>) => {
    onChange({ ...value, ...change });
  };
  const text = (key: "fuel" | "load" | "peopleIn" | "notes", label: string) => (
    <TextField
      label={label}
      value={value[key]}
      onChange={(e) => {
        set({ [key]: e.target.value });
      }}
    />
  );
  return (
    <Box>
      <Box sx={grid}>
        <TextField
          select
          label="Measured from"
          value={value.datum}
          onChange={(e) => {
            set({ datum: e.target.value as Schemas["Datum"] });
          }}
        >
          <MenuItem value="hub">hub centre</MenuItem>
          <MenuItem value="floor">floor</MenuItem>
          <MenuItem value="rim">edge of the rim</MenuItem>
          <MenuItem value="frame">frame</MenuItem>
        </TextField>
        <TextField
          select
          label="Settled"
          value={value.settled}
          onChange={(e) => {
            set({ settled: e.target.value as Schemas["Settled"] });
          }}
        >
          <MenuItem value="rolled">rolled</MenuItem>
          <MenuItem value="bounced">bounced</MenuItem>
          <MenuItem value="driven">driven</MenuItem>
          <MenuItem value="no">not yet</MenuItem>
        </TextField>
        <TextField
          select
          label="Tape divided in"
          value={value.denominator}
          onChange={(e) => {
            set({ denominator: Number(e.target.value) });
          }}
        >
          <MenuItem value={8}>1/8 in</MenuItem>
          <MenuItem value={16}>1/16 in</MenuItem>
          <MenuItem value={32}>1/32 in</MenuItem>
          <MenuItem value={1}>1 mm</MenuItem>
        </TextField>
        {(walk || value.walk !== null) && (
          <TextField
            select
            label="Walk"
            value={value.walk ?? "leftSideBack"}
            onChange={(e) => {
              set({ walk: e.target.value as Schemas["WalkingOrder"] });
            }}
          >
            {Object.entries(walkWords).map(([key, words]) => (
              <MenuItem key={key} value={key}>
                {words}
              </MenuItem>
            ))}
          </TextField>
        )}
        <TextField
          label="Stands on (bay, pads)"
          value={value.spot}
          slotProps={{ htmlInput: { list: "bays" } }}
          onChange={(e) => {
            set({ spot: e.target.value });
          }}
        />
        <datalist id="bays">
          {bays.map((b) => (
            <option key={b} value={b} />
          ))}
        </datalist>
        {text("fuel", "Fuel")}
        {text("load", "Load")}
        {text("peopleIn", "People in it")}
      </Box>
      <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: 1 }}>
        <OnOff
          label="Hub centres are marked"
          checked={value.hubMarked}
          onChange={(hubMarked) => {
            set({ hubMarked });
          }}
        />
        <OnOff
          label="Floor is surveyed"
          checked={value.floorSurveyed}
          onChange={(floorSurveyed) => {
            set({ floorSurveyed });
          }}
        />
        <OnOff
          label="Steering stands straight"
          checked={value.steeringStraight}
          onChange={(steeringStraight) => {
            set({ steeringStraight });
          }}
        />
        <OnOff
          label="Doors, hood and tailgate are shut"
          checked={value.shut}
          onChange={(shut) => {
            set({ shut });
          }}
        />
        <OnOff
          label="Brake or gear holds the wheels"
          checked={value.brakeHeld}
          onChange={(brakeHeld) => {
            set({ brakeHeld });
          }}
        />
      </Box>
      {value.floorSurveyed && (
        <Box sx={{ mb: 1.5 }}>
          <FloorGuide />
          <ByWheel
            label={(wheel) => `Pad ${wheel}, ${unit}`}
            values={value.pads}
            onChange={(pads) => {
              set({ pads });
            }}
          />
        </Box>
      )}
      <Box
        component="details"
        open={
          value.modes.length > 0 ||
          Object.values(value.pressures).some(Boolean) ||
          Object.values(value.tyres).some(Boolean)
        }
      >
        <Typography component="summary" sx={{ py: 1.25, fontWeight: 650 }}>
          Tyres, pressures and modes
        </Typography>
        <ByWheel
          label={(wheel) =>
            `${wheel} pressure, ${unit === "in" ? "psi" : "kPa"}`
          }
          values={value.pressures}
          onChange={(pressures) => {
            set({ pressures });
          }}
        />
        <Box sx={{ height: 12 }} />
        <ByWheel
          label={(wheel) => `${wheel} tyre, if another`}
          values={value.tyres}
          onChange={(tyres) => {
            set({ tyres });
          }}
        />
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, my: 1.5 }}>
          {Object.entries(modeWords).map(([key, words]) => {
            const mode = key as Schemas["VehicleMode"];
            const on = value.modes.includes(mode);
            return (
              <ToggleButton
                key={key}
                value={key}
                selected={on}
                onChange={() => {
                  set({
                    modes: on
                      ? value.modes.filter((m) => m !== mode)
                      : [...value.modes, mode],
                  });
                }}
              >
                {on ? "✓ " : ""}
                {words}
              </ToggleButton>
            );
          })}
        </Box>
      </Box>
      {value.brakeHeld && value.settled !== "no" && (
        <Typography sx={{ color: "warning.main" }}>
          ▲ Held wheels cannot roll as the axle settles: let the brake off with
          a chock at one wheel, then settle it again.
        </Typography>
      )}
      {value.settled === "no" && (
        <Typography sx={{ color: "warning.main" }}>
          ▲ A lowered axle reads high: expect to lose about 1/4 in (6 mm). Such
          a round carries no verdict.
        </Typography>
      )}
    </Box>
  );
}

function OnOff({
  label,
  checked,
  onChange,
}: {
  label: string;
  checked: boolean;
  onChange: (checked: boolean) => void;
}) {
  return (
    <FormControlLabel
      control={
        <Switch
          checked={checked}
          onChange={(e) => {
            onChange(e.target.checked);
          }}
        />
      }
      label={label}
      sx={{ minHeight: 48 }}
    />
  );
}

/** Four fields that lie as the wheels do: front above, left to the left. */
function ByWheel({
  label,
  values,
  onChange,
}: {
  label: (wheel: string) => string;
  values: Record<string, string>;
  onChange: (values: Record<string, string>) => void;
}) {
  return (
    <Box
      sx={{
        display: "grid",
        gap: 1.25,
        gridTemplateColumns: "1fr 1fr",
        maxWidth: 380,
      }}
    >
      {wheels.map((wheel) => (
        <TextField
          key={wheel}
          label={label(wheel)}
          value={values[wheel] ?? ""}
          onChange={(e) => {
            onChange({ ...values, [wheel]: e.target.value });
          }}
        />
      ))}
    </Box>
  );
}
