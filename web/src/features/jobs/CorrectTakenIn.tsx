import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import FormControlLabel from "@mui/material/FormControlLabel";
import FormHelperText from "@mui/material/FormHelperText";
import MenuItem from "@mui/material/MenuItem";
import Radio from "@mui/material/Radio";
import RadioGroup from "@mui/material/RadioGroup";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { v7 } from "uuid";
import type { JobView, Schemas } from "../../api/client";
import { useJob, useSend } from "../../api/job";
import { Problem } from "../../api/problem";
import { BothWays } from "../../shared/BothWays";
import { useUnit } from "../../shared/Length";
import { asError, at } from "../../shared/ProblemNote";
import { typed } from "../../shared/quantity";
import { keepOnLists, VariantFields } from "../../shared/VariantFields";
import { variantBody } from "../../shared/variant";
import { useOnce } from "../../shared/useOnce";
import { usePlatforms } from "../../shared/usePlatforms";
import { ChooseSort } from "./ChooseSort";
import {
  asksWhose,
  cameIn,
  correctionLines,
  correctionOf,
  equipmentWords,
  labels,
  wasBegun,
  type Correction,
  type Key,
} from "./correction";
import { FittedNow, fittedBody } from "./FittedNow";
import { Grid } from "./FormParts";
import { OwnerFields } from "./OwnerFields";
import { PlatformChoice, usePlatformOf } from "./PlatformChoice";
import { bodyWords } from "./WhatCarries";

/** What may be longer than a line. */
const spoken: Key[] = ["wish", "carries", "troubles"];

/** Corrects what was written down when the vehicle came. */
export function CorrectTakenIn({ onDone }: { onDone: () => void }) {
  const view = useJob();
  const send = useSend();
  const shopUnit = useUnit();
  const platformOf = usePlatformOf();
  const platforms = usePlatforms().data ?? [];
  // What the form was filled from; others may change it meanwhile.
  const [seen, setSeen] = useState(view);
  const [texts, setTexts] = useState(() => correctionOf(view));
  const [problem, setProblem] = useState<Error | null>(null);
  const unit =
    seen.document.job.odometerIn?.unit ?? (shopUnit === "in" ? "mi" : "km");
  const set = (change: Partial<Correction>) => {
    setTexts((t) => ({ ...t, ...change }));
  };
  const asked = asksWhose(texts, seen.document.owner.name);

  const once = useOnce();
  const save = async (over: JobView) => {
    setProblem(null);
    const version = (of: { id: string } | undefined) =>
      of ? (over.versions[of.id] ?? 0) : 0;
    const { owner, vehicle, job } = over.document;
    const was = correctionOf(seen);
    try {
      if (asked && texts.whose === null) {
        throw new Problem(
          422,
          "ownerName",
          "Is the name put right, or is it another owner's vehicle?",
          [],
          null,
        );
      }
      const platform = await platformOf(texts.platformId, texts.newPlatform);
      // Without a network the list waits for another time; the correction itself is kept.
      await keepOnLists(platform.lists, texts.variant).catch(() => undefined);
      await send(
        {
          kind: "correctTakenIn",
          version: version(job),
          vehicleVersion: version(vehicle),
          ownerVersion: version(owner),
          ownerName: texts.ownerName,
          ownerContact: texts.ownerContact || null,
          newOwnerId: asked && texts.whose === "another" ? v7() : null,
          make: texts.make,
          name: texts.name,
          plate: texts.plate || null,
          vin: texts.vin || null,
          platformId: platform.id === was.platformId ? null : platform.id,
          sort: texts.sort === was.sort ? null : texts.sort,
          bodyKind: texts.bodyKind === was.bodyKind ? null : texts.bodyKind,
          engine: texts.variant.engine || null,
          drive: texts.variant.drive || null,
          variant: variantBody(texts.variant),
          carries: texts.carries || null,
          troubles: texts.troubles || null,
          wish: texts.wish || null,
          promisedOn: texts.promisedOn || null,
          odometer: typed(texts.odometer, unit, "told"),
          equipment: texts.equipment,
          stageVersion: version(cameIn(over)),
          fitted:
            JSON.stringify(texts.fitted) === JSON.stringify(was.fitted)
              ? null
              : fittedBody(texts.fitted, shopUnit),
        },
        "what was taken in",
      );
      onDone();
    } catch (e) {
      setProblem(asError(e));
    }
  };
  const line = (key: Key) => (
    <TextField
      key={key}
      label={key === "odometer" ? `Odometer, ${unit}` : labels[key]}
      value={texts[key]}
      onChange={(e) => {
        set({ [key]: e.target.value });
      }}
      multiline={spoken.includes(key)}
      {...at(problem, key)}
    />
  );

  return (
    <Box
      component="form"
      aria-label="Correct what was taken in"
      onSubmit={(e) => {
        e.preventDefault();
        void once(() => save(seen));
      }}
      sx={{ borderLeft: 4, borderColor: "secondary.main", pl: 2 }}
    >
      <Grid>
        <OwnerFields
          name={texts.ownerName}
          contact={texts.ownerContact}
          problem={problem}
          onChange={(ownerName, ownerContact) => {
            set({ ownerName, ownerContact });
          }}
        />
        {asked && (
          <Whose
            was={seen.document.owner.name}
            now={texts.ownerName.trim()}
            whose={texts.whose}
            onChange={(whose) => {
              set({
                whose,
                // The first one's phone is not the other's.
                ownerContact:
                  whose === "another" &&
                  texts.ownerContact === (seen.document.owner.contact ?? "")
                    ? ""
                    : texts.ownerContact,
              });
            }}
          />
        )}
      </Grid>
      <Box sx={{ my: 1.5 }}>
        <ChooseSort
          sort={texts.sort}
          says={null}
          onChange={(sort) => {
            set({ sort });
          }}
        />
      </Box>
      <Grid>
        {(["plate", "vin", "make", "name"] as const).map(line)}
        <PlatformChoice
          id={texts.platformId}
          name={texts.newPlatform}
          problem={problem}
          onChange={(platformId, newPlatform) => {
            set({ platformId, newPlatform });
          }}
        />
        <TextField
          select
          label="Body"
          value={texts.bodyKind}
          onChange={(e) => {
            set({ bodyKind: e.target.value as Schemas["BodyKind"] });
          }}
        >
          {Object.entries(bodyWords).map(([key, said]) => (
            <MenuItem key={key} value={key}>
              {said}
            </MenuItem>
          ))}
        </TextField>
        <VariantFields
          text={texts.variant}
          platformId={texts.platformId}
          problem={problem}
          onChange={(variant) => {
            set({ variant });
          }}
        />
        {(["odometer", "wish", "carries", "troubles"] as const).map(line)}
        <TextField
          type="date"
          label="Promised for"
          value={texts.promisedOn}
          onChange={(e) => {
            set({ promisedOn: e.target.value });
          }}
          slotProps={{ inputLabel: { shrink: true } }}
        />
        <TextField
          select
          label="Lifted with"
          value={texts.equipment}
          onChange={(e) => {
            set({ equipment: e.target.value as Schemas["Equipment"] });
          }}
        >
          {Object.entries(equipmentWords).map(([key, said]) => (
            <MenuItem key={key} value={key}>
              {said}
            </MenuItem>
          ))}
        </TextField>
      </Grid>
      <Typography variant="h3" sx={{ mt: 2, mb: 1 }}>
        Fitted when it came
      </Typography>
      {wasBegun(seen) ? (
        <Typography>
          Work was begun on it: what came off and what stands there now is told
          in the plan.
        </Typography>
      ) : (
        <FittedNow
          rows={texts.fitted}
          problem={problem}
          onChange={(fitted) => {
            set({ fitted });
          }}
        />
      )}
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, my: 1.5 }}>
        <Button type="submit" variant="contained">
          Keep the correction
        </Button>
        <Button onClick={onDone}>Leave it as it was</Button>
      </Box>
      <BothWays
        problem={problem}
        mine={correctionLines({
          ...texts,
          platform:
            platforms.find((p) => p.id === texts.platformId)?.name ??
            texts.platform,
        })}
        theirs={(fresh) => correctionLines(correctionOf(fresh))}
        onTheirs={(fresh) => {
          setTexts(correctionOf(fresh));
          setSeen(fresh);
          setProblem(null);
        }}
        onMine={(fresh) => save(fresh)}
      />
    </Box>
  );
}

/** Another name is a slip put right, or somebody else: the one is told in all their jobs, the other only here. */
function Whose({
  was,
  now,
  whose,
  onChange,
}: {
  was: string;
  now: string;
  whose: Correction["whose"];
  onChange: (whose: "same" | "another") => void;
}) {
  return (
    <Box
      component="fieldset"
      sx={{ border: 0, m: 0, p: 0, minWidth: 0, gridColumn: { md: "span 2" } }}
    >
      <FormHelperText component="legend">{`${was} or ${now}?`}</FormHelperText>
      <RadioGroup
        value={whose ?? ""}
        onChange={(_, value) => {
          onChange(value as "same" | "another");
        }}
      >
        <FormControlLabel
          value="same"
          control={<Radio />}
          label={`${was} is really called ${now}, in all their jobs`}
        />
        <FormControlLabel
          value="another"
          control={<Radio />}
          label={`It belongs to ${now}; ${was} stays as they are`}
        />
      </RadioGroup>
    </Box>
  );
}
