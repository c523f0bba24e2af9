import Box from "@mui/material/Box";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { api, type Schemas } from "../../api/client";
import { Both, type Lines } from "../../shared/BothWays";
import { useUnit } from "../../shared/Length";
import { Press } from "../../shared/Press";
import { retypedWithUnit, typed } from "../../shared/quantity";
import { dateIn } from "../../shared/time";
import { datumWords } from "../walk-rounds/conditions/conditions";
import { useAsk } from "./ask";
import { Field } from "./Entry";
import {
  HoursFields,
  hoursLines,
  hoursText,
  hoursTyped,
  noDay,
  type HoursText,
} from "./HoursFields";

const fields = [
  "version",
  "name",
  "lengthUnit",
  "denominator",
  "datum",
  "tolerance",
  "hourRate",
  "bays",
  "dates",
  "hours",
  "timeZone",
  "apprenticeLevel",
];

interface Text {
  name: string;
  lengthUnit: Schemas["ShopSettings"]["lengthUnit"];
  denominator: string;
  datum: Schemas["Datum"];
  tolerance: string;
  hour: string;
  bays: string;
  dates: string;
  hours: HoursText;
  timeZone: string;
  /** Of practice; empty asks for none. */
  level: string;
}

const textOf = ({ name, settings: s }: Schemas["ShopPage"]): Text => ({
  name,
  lengthUnit: s.lengthUnit,
  denominator: String(s.denominator),
  datum: s.datum,
  tolerance: retypedWithUnit(s.tolerance),
  hour: s.hourRate?.toString() ?? "",
  bays: s.bays.join("\n"),
  dates: s.dates,
  hours: hoursText(s.hours),
  timeZone: s.timeZone ?? "",
  level: s.apprenticeLevel?.toString() ?? "",
});

/** The settings as lines, each with its label. */
const linesOf = (t: Text): Lines => ({
  "Name of the shop": t.name,
  "Lengths, for who comes": t.lengthUnit,
  "Tape divided in": t.denominator === "1" ? "1 mm" : `1/${t.denominator} in`,
  "Measured from": datumWords[t.datum],
  "Tolerance of a target": t.tolerance,
  "An hour costs": t.hour,
  Bays: t.bays.split("\n").join(", "),
  Dates: t.dates,
  ...hoursLines(t.hours),
  "Time zone": t.timeZone,
  "What an apprentice does alone": t.level,
});

/** Time zones that this browser knows, and the one that is settled. */
const zonesWith = (settled: string): string[] => [
  ...new Set([
    ...(settled === "" ? [] : [settled]),
    ...Intl.supportedValuesOf("timeZone"),
  ]),
];

/** What the shop has settled once: forms begin with it, each job may say otherwise. */
export function SettledOnce({
  shop,
  anew,
}: {
  shop: Schemas["ShopPage"];
  anew: () => Promise<void>;
}) {
  const { ask, at, rest, forget } = useAsk();
  const unit = useUnit();
  const [text, setText] = useState(() => textOf(shop));
  const [seen, setSeen] = useState(shop.version);
  const [kept, setKept] = useState(false);
  const set = (change: Partial<Text>) => {
    setKept(false);
    setText((was) => ({ ...was, ...change }));
  };
  const hourRate =
    text.hour.trim() === "" ? null : Number(text.hour.replace(",", "."));
  const noNumber = hourRate !== null && !(hourRate >= 0);
  const keep = async (over: number) => {
    const it = await ask(() =>
      api.PUT("/api/shop", {
        body: {
          version: over,
          name: text.name,
          settings: {
            lengthUnit: text.lengthUnit,
            denominator: Number(text.denominator),
            datum: text.datum,
            tolerance: typed(text.tolerance, unit, "told"),
            hourRate,
            bays: text.bays.split("\n"),
            dates: text.dates,
            hours: hoursTyped(text.hours),
            timeZone: text.timeZone === "" ? null : text.timeZone,
            apprenticeLevel: text.level === "" ? null : Number(text.level),
          },
        },
      }),
    );
    setKept(it !== null);
    if (it?.data) {
      setSeen(it.data.version);
    }
    await anew();
  };
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
      slotProps={{
        select: { displayEmpty: true },
        inputLabel: { shrink: true },
      }}
    >
      {choices.map(([key, said]) => (
        <MenuItem key={key} value={key}>
          {said}
        </MenuItem>
      ))}
    </TextField>
  );
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
          value={text.name}
          set={(name) => {
            set({ name });
          }}
          refused={at("name")}
        />
        {list(
          "Lengths, for who comes",
          "lengthUnit",
          text.lengthUnit,
          (u) => {
            set({ lengthUnit: u as Text["lengthUnit"] });
          },
          [
            ["in", "inches"],
            ["mm", "millimetres"],
          ],
        )}
        {list(
          "Tape divided in",
          "denominator",
          text.denominator,
          (denominator) => {
            set({ denominator });
          },
          [
            ["8", "1/8 in"],
            ["16", "1/16 in"],
            ["32", "1/32 in"],
            ["1", "1 mm"],
          ],
        )}
        {list(
          "Measured from",
          "datum",
          text.datum,
          (d) => {
            set({ datum: d as Schemas["Datum"] });
          },
          (["hub", "floor", "rim", "frame"] as const).map((d) => [
            d,
            datumWords[d],
          ]),
        )}
        <Field
          label="Tolerance of a target"
          value={text.tolerance}
          set={(tolerance) => {
            set({ tolerance });
          }}
          placeholder={`${unit === "in" ? "1/4 in" : "6 mm"}, the rule of thumb`}
          slotProps={{ inputLabel: { shrink: true } }}
          refused={at("tolerance")}
        />
        <Field
          label="An hour costs"
          value={text.hour}
          set={(hour) => {
            set({ hour });
          }}
          placeholder="100, a rule of thumb"
          slotProps={{ inputLabel: { shrink: true } }}
          refused={
            noNumber ? "What does an hour cost? A number." : at("hourRate")
          }
        />
        {list(
          "Dates",
          "dates",
          text.dates,
          (dates) => {
            set({ dates });
          },
          shop.dateLanguages.map((l) => [
            l.tag,
            `${l.said}: ${dateIn(l.tag, new Date())}`,
          ]),
        )}
        <HoursFields
          text={text.hours}
          set={(change) => {
            set({ hours: { ...text.hours, ...change } });
          }}
          refused={at("hours")}
        />
        {list(
          "Time zone",
          "timeZone",
          text.timeZone,
          (timeZone) => {
            set({ timeZone });
          },
          [
            ["", "that of whoever looks"],
            ...zonesWith(text.timeZone).map((z): [string, string] => [z, z]),
          ],
        )}
        {list(
          "What an apprentice does alone",
          "apprenticeLevel",
          text.level,
          (level) => {
            set({ level });
          },
          [
            ["", "counts at once"],
            ...["1", "2", "3"].map((l): [string, string] => [
              l,
              `counts with level ${l} of “Level a pickup” passed`,
            ]),
          ],
        )}
        <Field
          label="Bays, one on each line"
          value={text.bays}
          set={(bays) => {
            set({ bays });
          }}
          multiline
          refused={at("bays")}
        />
      </Box>
      {at("version") !== undefined && shop.version !== seen && (
        <Both
          by={null}
          at={null}
          mine={linesOf(text)}
          theirs={linesOf(textOf(shop))}
          onTheirs={() => {
            setText(textOf(shop));
            setSeen(shop.version);
            forget();
          }}
          onMine={() => keep(shop.version)}
        />
      )}
      <Typography role="alert" color="error">
        {rest(fields)}
      </Typography>
      <Box sx={{ display: "flex", gap: 2, alignItems: "center", mt: 1 }}>
        <Press
          type="submit"
          variant="outlined"
          disabled={noNumber || noDay(text.hours) !== undefined}
          act={() => keep(seen)}
        >
          Keep it
        </Press>
        {kept && <Typography role="status">✓ Kept.</Typography>}
      </Box>
    </Box>
  );
}
