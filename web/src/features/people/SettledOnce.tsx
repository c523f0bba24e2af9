import Box from "@mui/material/Box";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { api, type Schemas } from "../../api/client";
import { useUnit } from "../../shared/Length";
import { Press } from "../../shared/Press";
import { retypedWithUnit, typed } from "../../shared/quantity";
import { dateIn } from "../../shared/time";
import { datumWords } from "../walk-rounds/conditions/conditions";
import { useAsk } from "./ask";
import { Field } from "./Entry";

const fields = [
  "name",
  "lengthUnit",
  "denominator",
  "datum",
  "tolerance",
  "hourRate",
  "bays",
  "dates",
];

/** What the shop has settled once: forms begin with it, each job may say otherwise. */
export function SettledOnce({
  shop,
  anew,
}: {
  shop: Schemas["ShopPage"];
  anew: () => Promise<void>;
}) {
  const { ask, at, rest } = useAsk();
  const unit = useUnit();
  const was = shop.settings;
  const [name, setName] = useState(shop.name);
  const [lengthUnit, setLengthUnit] = useState(was.lengthUnit);
  const [denominator, setDenominator] = useState(String(was.denominator));
  const [datum, setDatum] = useState<string>(was.datum);
  const [tolerance, setTolerance] = useState(retypedWithUnit(was.tolerance));
  const [hour, setHour] = useState(was.hourRate?.toString() ?? "");
  const [bays, setBays] = useState(was.bays.join("\n"));
  const [dates, setDates] = useState(was.dates);
  const [kept, setKept] = useState(false);
  const list = (
    label: string,
    field: string,
    value: string,
    set: (value: string) => void,
    choices: [string, string][],
  ) => (
    <TextField
      select
      label={label}
      value={value}
      error={at(field) !== undefined}
      helperText={at(field)}
      onChange={(e) => {
        set(e.target.value);
      }}
    >
      {choices.map(([key, said]) => (
        <MenuItem key={key} value={key}>
          {said}
        </MenuItem>
      ))}
    </TextField>
  );
  const hourRate = hour.trim() === "" ? null : Number(hour.replace(",", "."));
  const noNumber = hourRate !== null && !(hourRate >= 0);
  return (
    <Box
      component="form"
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
      }}
    >
      <Typography variant="h2">Settled once</Typography>
      <Typography color="text.secondary">
        Forms begin with it; each job may say otherwise.
      </Typography>
      <Box
        sx={{
          display: "grid",
          gap: 1.5,
          my: 1.5,
          alignItems: "start",
          gridTemplateColumns: "repeat(auto-fill, minmax(210px, 1fr))",
        }}
      >
        <Field
          label="Name of the shop"
          value={name}
          set={setName}
          refused={at("name")}
        />
        {list(
          "Lengths, for who comes",
          "lengthUnit",
          lengthUnit,
          (u) => {
            setLengthUnit(u as typeof lengthUnit);
          },
          [
            ["in", "inches"],
            ["mm", "millimetres"],
          ],
        )}
        {list("Tape divided in", "denominator", denominator, setDenominator, [
          ["8", "1/8 in"],
          ["16", "1/16 in"],
          ["32", "1/32 in"],
          ["1", "1 mm"],
        ])}
        {list(
          "Measured from",
          "datum",
          datum,
          setDatum,
          (["hub", "floor", "rim", "frame"] as const).map((d) => [
            d,
            datumWords[d],
          ]),
        )}
        <Field
          label="Tolerance of a target"
          value={tolerance}
          set={setTolerance}
          placeholder={`${unit === "in" ? "1/4 in" : "6 mm"}, the rule of thumb`}
          slotProps={{ inputLabel: { shrink: true } }}
          refused={at("tolerance")}
        />
        <Field
          label="An hour costs"
          value={hour}
          set={setHour}
          placeholder="100, a rule of thumb"
          slotProps={{ inputLabel: { shrink: true } }}
          refused={
            noNumber ? "What does an hour cost? A number." : at("hourRate")
          }
        />
        {list(
          "Dates",
          "dates",
          dates,
          setDates,
          shop.dateLanguages.map((l) => [
            l.tag,
            `${l.said}: ${dateIn(l.tag, new Date())}`,
          ]),
        )}
        <Field
          label="Bays, one on each line"
          value={bays}
          set={setBays}
          multiline
          refused={at("bays")}
        />
      </Box>
      <Typography role="alert" color="error">
        {rest(fields)}
      </Typography>
      <Box sx={{ display: "flex", gap: 2, alignItems: "center" }}>
        <Press
          type="submit"
          variant="outlined"
          disabled={noNumber}
          act={async () => {
            setKept(false);
            const it = await ask(() =>
              api.PUT("/api/shop", {
                body: {
                  version: shop.version,
                  name,
                  settings: {
                    lengthUnit,
                    denominator: Number(denominator),
                    datum: datum as Schemas["Datum"],
                    tolerance: typed(tolerance, unit, "told"),
                    hourRate,
                    bays: bays.split("\n"),
                    dates,
                  },
                },
              }),
            );
            setKept(it !== null);
            // Also after a refusal: the next time it is kept over what was seen.
            await anew();
          }}
        >
          Keep it
        </Press>
        {kept && <Typography role="status">✓ Kept.</Typography>}
      </Box>
    </Box>
  );
}
