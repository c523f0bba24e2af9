import Box from "@mui/material/Box";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import type { Schemas } from "../../api/client";
import { useUnit } from "../../shared/Length";
import type { LengthUnit } from "../../shared/length";
import { at } from "../../shared/ProblemNote";
import { retypedWithUnit, typed } from "../../shared/quantity";

export interface TargetText {
  wish: "level" | "rake" | "lift";
  rake: string;
  frontLift: string;
  rearLift: string;
  frontMost: string;
  rearMost: string;
  noLean: boolean;
  evenDiagonals: boolean;
  loaded: boolean;
  tolerance: string;
  datum: Schemas["Datum"];
}

export const levelByHub: TargetText = {
  wish: "level",
  rake: "",
  frontLift: "",
  rearLift: "",
  frontMost: "",
  rearMost: "",
  noLean: false,
  evenDiagonals: false,
  loaded: false,
  tolerance: "",
  datum: "hub",
};

/** The target with which a take-in begins: level, as the shop judges it. */
export const levelAsSettled = (
  settings: Schemas["ShopSettings"],
): TargetText => ({
  ...levelByHub,
  datum: settings.datum === "floor" ? "floor" : "hub",
  tolerance: retypedWithUnit(settings.tolerance),
});

const wishWords: Record<TargetText["wish"], string> = {
  level: "level",
  rake: "with a stated rake",
  lift: "higher, rake as it comes",
};

/** The target as lines, each with its label. */
export function targetLines(t: TargetText): Record<string, string> {
  const yes = (it: boolean) => (it ? "yes" : "no");
  return {
    "It should sit": wishWords[t.wish],
    "Rake (nose down)": t.rake,
    "Least lift, front": t.frontLift,
    "Least lift, rear": t.rearLift,
    "Greatest lift, front": t.frontMost,
    "Greatest lift, rear": t.rearMost,
    "Take out a side lean": yes(t.noLean),
    "Even diagonals on corner scales": yes(t.evenDiagonals),
    "Rake with the stated load on": yes(t.loaded),
    Tolerance: t.tolerance,
    "Level by": t.datum,
  };
}

export function targetBody(
  t: TargetText,
  unit: LengthUnit,
): Schemas["TargetInput"] {
  return {
    datum: t.datum,
    wantsRake: t.wish !== "lift",
    rake: t.wish === "rake" ? typed(t.rake, unit, "told") : null,
    leastFrontLift: typed(t.frontLift, unit, "told"),
    leastRearLift: typed(t.rearLift, unit, "told"),
    mostFrontLift: typed(t.frontMost, unit, "told"),
    mostRearLift: typed(t.rearMost, unit, "told"),
    noLean: t.noLean,
    evenDiagonals: t.evenDiagonals,
    loaded: t.loaded,
    tolerance: typed(t.tolerance, unit, "told"),
  };
}

/** What the owner wants, in numbers. */
export function TargetFields({
  target,
  onChange,
  problem,
  only,
}: {
  target: TargetText;
  onChange: (target: TargetText) => void;
  problem: Error | null;
  /** How it shall sit, or within which limits; both where nothing is said. */
  only?: "wish" | "limits";
}) {
  const unit = useUnit();
  const field = (
    key:
      | "rake"
      | "frontLift"
      | "rearLift"
      | "frontMost"
      | "rearMost"
      | "tolerance",
    label: string,
    name: string,
    placeholder: string,
  ) => (
    <TextField
      label={label}
      value={target[key]}
      placeholder={placeholder}
      onChange={(e) => {
        onChange({ ...target, [key]: e.target.value });
      }}
      {...at(problem, `target.${name}`)}
      slotProps={{ inputLabel: { shrink: true } }}
    />
  );
  return (
    <Box
      sx={{
        // How it shall sit stands among the fields around it.
        display: only === "wish" ? "contents" : "grid",
        gap: 1.5,
        gridTemplateColumns: "repeat(auto-fill, minmax(190px, 1fr))",
      }}
    >
      {only !== "limits" && (
        <>
          <TextField
            select
            label="It should sit"
            value={target.wish}
            onChange={(e) => {
              onChange({
                ...target,
                wish: e.target.value as TargetText["wish"],
              });
            }}
          >
            {Object.entries(wishWords).map(([key, said]) => (
              <MenuItem key={key} value={key}>
                {said}
              </MenuItem>
            ))}
          </TextField>
          {target.wish === "rake" &&
            field(
              "rake",
              "Rake (nose down)",
              "rake",
              unit === "in" ? "1 in" : "25 mm",
            )}
        </>
      )}
      {only !== "wish" && (
        <>
          <TextField
            select
            label="Level by"
            value={target.datum}
            onChange={(e) => {
              onChange({
                ...target,
                datum: e.target.value as Schemas["Datum"],
              });
            }}
          >
            <MenuItem value="hub">hub to lip</MenuItem>
            <MenuItem value="floor">floor to lip</MenuItem>
          </TextField>
          {field("frontLift", "Least lift, front", "leastFrontLift", "none")}
          {field("rearLift", "Least lift, rear", "leastRearLift", "none")}
          {field("frontMost", "Greatest lift, front", "mostFrontLift", "none")}
          {field("rearMost", "Greatest lift, rear", "mostRearLift", "none")}
          {field(
            "tolerance",
            "Tolerance",
            "tolerance",
            unit === "in" ? "1/4 in" : "6 mm",
          )}
          {(
            [
              ["noLean", "Take out a side lean"],
              ["evenDiagonals", "Even diagonals on corner scales"],
              ["loaded", "Rake with the stated load on"],
            ] as const
          ).map(([key, label]) => (
            <FormControlLabel
              key={key}
              label={label}
              control={
                <Checkbox
                  checked={target[key]}
                  onChange={(e) => {
                    onChange({ ...target, [key]: e.target.checked });
                  }}
                />
              }
            />
          ))}
        </>
      )}
    </Box>
  );
}
