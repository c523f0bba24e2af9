import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import type { JobView, Schemas } from "../../api/client";
import { useJob, useSend } from "../../api/job";
import { BothWays, type Lines } from "../../shared/BothWays";
import { useUnit } from "../../shared/Length";
import { asError, at } from "../../shared/ProblemNote";
import { typed } from "../../shared/quantity";
import {
  keepOnLists,
  variantBody,
  VariantFields,
  variantLabels,
  variantText,
  type VariantText,
} from "../../shared/VariantFields";
import { useOnce } from "../../shared/useOnce";

const labels = {
  plate: "Plate",
  vin: "VIN",
  ownerName: "Owner",
  ownerContact: "Phone or mail",
  make: "Make",
  name: "Model",
  odometer: "Odometer",
  wish: "In the owner's words",
  carries: "Carries and tows",
  troubles: "Known troubles",
} as const;

type Key = keyof typeof labels;

/** What may be longer than a line. */
const spoken: Key[] = ["wish", "carries", "troubles"];

interface Texts extends Record<Key, string> {
  promisedOn: string;
  equipment: Schemas["Equipment"];
  variant: VariantText;
}

export const equipmentWords: Record<Schemas["Equipment"], string> = {
  twoPostLift: "two-post lift",
  jackAndStands: "jack and stands",
  pit: "pit",
};

function textsOf({ document: { owner, vehicle, job } }: JobView): Texts {
  return {
    plate: vehicle.plate ?? "",
    vin: vehicle.vin ?? "",
    ownerName: owner.name,
    ownerContact: owner.contact ?? "",
    make: vehicle.make,
    name: vehicle.name,
    variant: variantText(vehicle),
    odometer: job.odometerIn?.value.toString() ?? "",
    wish: job.wish ?? "",
    carries: job.carries ?? "",
    troubles: job.troubles ?? "",
    promisedOn: job.promisedOn ?? "",
    equipment: job.equipment,
  };
}

const linesOf = (t: Texts): Lines => ({
  ...Object.fromEntries(
    (Object.keys(labels) as Key[]).map((key) => [labels[key], t[key]]),
  ),
  ...Object.fromEntries(
    (Object.keys(variantLabels) as (keyof VariantText)[]).map((key) => [
      variantLabels[key],
      t.variant[key],
    ]),
  ),
  "Promised for": t.promisedOn,
  "Lifted with": equipmentWords[t.equipment],
});

/** Corrects what was written down when the vehicle came. */
export function CorrectTakenIn({ onDone }: { onDone: () => void }) {
  const view = useJob();
  const send = useSend();
  const shopUnit = useUnit();
  // What the form was filled from; others may change it meanwhile.
  const [seen, setSeen] = useState(view);
  const [texts, setTexts] = useState(() => textsOf(view));
  const [problem, setProblem] = useState<Error | null>(null);
  const unit =
    seen.document.job.odometerIn?.unit ?? (shopUnit === "in" ? "mi" : "km");

  const once = useOnce();
  const save = async (over: JobView) => {
    setProblem(null);
    const version = (of: { id: string }) => over.versions[of.id] ?? 0;
    const { owner, vehicle, job, platform } = over.document;
    try {
      // Without a network the list waits for another time; the correction itself is kept.
      await keepOnLists(platform, texts.variant).catch(() => undefined);
      await send(
        {
          kind: "correctTakenIn",
          version: version(job),
          vehicleVersion: version(vehicle),
          ownerVersion: version(owner),
          ownerName: texts.ownerName,
          ownerContact: texts.ownerContact || null,
          make: texts.make,
          name: texts.name,
          plate: texts.plate || null,
          vin: texts.vin || null,
          engine: texts.variant.engine || null,
          drive: texts.variant.drive || null,
          variant: variantBody(texts.variant),
          carries: texts.carries || null,
          troubles: texts.troubles || null,
          wish: texts.wish || null,
          promisedOn: texts.promisedOn || null,
          odometer: typed(texts.odometer, unit, "told"),
          equipment: texts.equipment,
        },
        "what was taken in",
      );
      onDone();
    } catch (e) {
      setProblem(asError(e));
    }
  };

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
      <Box
        sx={{
          display: "grid",
          gap: 1.5,
          gridTemplateColumns: "repeat(auto-fill, minmax(190px, 1fr))",
          alignItems: "start",
        }}
      >
        {(Object.keys(labels) as Key[]).map((key) => (
          <TextField
            key={key}
            label={key === "odometer" ? `Odometer, ${unit}` : labels[key]}
            value={texts[key]}
            onChange={(e) => {
              setTexts({ ...texts, [key]: e.target.value });
            }}
            multiline={spoken.includes(key)}
            {...at(problem, key)}
          />
        ))}
        <VariantFields
          text={texts.variant}
          platformId={view.document.platform.id}
          problem={problem}
          onChange={(variant) => {
            setTexts({ ...texts, variant });
          }}
        />
        <TextField
          type="date"
          label="Promised for"
          value={texts.promisedOn}
          onChange={(e) => {
            setTexts({ ...texts, promisedOn: e.target.value });
          }}
          slotProps={{ inputLabel: { shrink: true } }}
        />
        <TextField
          select
          label="Lifted with"
          value={texts.equipment}
          onChange={(e) => {
            setTexts({
              ...texts,
              equipment: e.target.value as Schemas["Equipment"],
            });
          }}
        >
          {Object.entries(equipmentWords).map(([key, said]) => (
            <MenuItem key={key} value={key}>
              {said}
            </MenuItem>
          ))}
        </TextField>
      </Box>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, my: 1.5 }}>
        <Button type="submit" variant="contained">
          Keep the correction
        </Button>
        <Button onClick={onDone}>Leave it as it was</Button>
      </Box>
      <BothWays
        problem={problem}
        mine={linesOf(texts)}
        theirs={(fresh) => linesOf(textsOf(fresh))}
        onTheirs={(fresh) => {
          setTexts(textsOf(fresh));
          setSeen(fresh);
          setProblem(null);
        }}
        onMine={(fresh) => save(fresh)}
      />
    </Box>
  );
}
