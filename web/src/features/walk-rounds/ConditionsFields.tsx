import Box from "@mui/material/Box";
import FormControlLabel from "@mui/material/FormControlLabel";
import MenuItem from "@mui/material/MenuItem";
import Switch from "@mui/material/Switch";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import type { Schemas } from "../../api/client";
import type { LengthUnit } from "../../shared/length";
import { typed } from "../../shared/quantity";

export interface ConditionsText {
  datum: Schemas["Datum"];
  denominator: number;
  settled: Schemas["Settled"];
  hubMarked: boolean;
  floorSurveyed: boolean;
  spot: string;
  fuel: string;
  load: string;
  odometer: string;
  notes: string;
}

export function conditionsBody(
  c: ConditionsText,
  unit: LengthUnit,
): Schemas["Conditions"] {
  return {
    ...c,
    spot: c.spot || null,
    fuel: c.fuel || null,
    load: c.load || null,
    odometer: typed(c.odometer, unit === "in" ? "mi" : "km"),
    notes: c.notes || null,
  };
}

export function conditionsOf(
  round: Schemas["WalkRound"] | undefined,
  unit: LengthUnit,
): ConditionsText {
  return {
    datum: round?.datum ?? "hub",
    denominator: round
      ? round.division.unit === "mm"
        ? 1
        : Math.round(1 / round.division.value)
      : unit === "mm"
        ? 1
        : 16,
    settled: round?.settled ?? "rolled",
    hubMarked: round?.hubMarked ?? false,
    floorSurveyed: round?.floorSurveyed ?? false,
    spot: round?.spot ?? "bay 1",
    fuel: round?.fuel ?? "",
    load: round?.load ?? "",
    odometer: round?.odometer?.typed ?? "",
    notes: round?.notes ?? "",
  };
}

/** How the vehicle stood, as switches with plain words; each says what it costs. */
export function ConditionsFields({
  value,
  onChange,
}: {
  value: ConditionsText;
  onChange: (value: ConditionsText) => void;
}) {
  const set = (change: Partial<ConditionsText>) => {
    onChange({ ...value, ...change });
  };
  return (
    <Box>
      <Box
        sx={{
          display: "grid",
          gap: 1.5,
          gridTemplateColumns: "repeat(auto-fill, minmax(170px, 1fr))",
        }}
      >
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
        <TextField
          label="Stands on (bay, pads)"
          value={value.spot}
          onChange={(e) => {
            set({ spot: e.target.value });
          }}
        />
        <TextField
          label="Fuel"
          value={value.fuel}
          onChange={(e) => {
            set({ fuel: e.target.value });
          }}
        />
        <TextField
          label="Load"
          value={value.load}
          onChange={(e) => {
            set({ load: e.target.value });
          }}
        />
      </Box>
      <FormControlLabel
        control={
          <Switch
            checked={value.hubMarked}
            onChange={(e) => {
              set({ hubMarked: e.target.checked });
            }}
          />
        }
        label="Hub centres are marked"
      />
      <FormControlLabel
        control={
          <Switch
            checked={value.floorSurveyed}
            onChange={(e) => {
              set({ floorSurveyed: e.target.checked });
            }}
          />
        }
        label="Floor is surveyed"
      />
      {value.settled === "no" && (
        <Typography sx={{ color: "warning.main" }}>
          ▲ A lowered axle reads high: expect to lose about 1/4 in (6 mm). Such
          a round carries no verdict.
        </Typography>
      )}
    </Box>
  );
}
