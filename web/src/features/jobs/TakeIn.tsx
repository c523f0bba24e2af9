import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { useNavigate, useSearchParams } from "react-router";
import { v7 } from "uuid";
import type { Schemas } from "../../api/client";
import { shop } from "../../api/job";
import { useUnit } from "../../shared/Length";
import { asError, at, ProblemNote } from "../../shared/ProblemNote";
import { typed } from "../../shared/quantity";
import { useDraft } from "../../shared/useDraft";
import { useSettings } from "../../shared/useSettings";
import { useSuspensionKinds } from "../../shared/useKinds";
import { liveAxles } from "../../shared/suspensions";
import {
  keepOnLists,
  noVariant,
  variantBody,
  VariantFields,
} from "../../shared/VariantFields";
import { useOnce } from "../../shared/useOnce";
import { equipmentWords } from "./CorrectTakenIn";
import { FittedNow, fittedBody, type FittedText } from "./FittedNow";
import { noSizes, sizesBody } from "./sizes";
import { PlatformChoice, usePlatformOf } from "./PlatformChoice";
import { SizesDrawing } from "./SizesDrawing";
import { KnownHere } from "./KnownHere";
import {
  levelAsSettled,
  levelByHub,
  targetBody,
  TargetFields,
} from "./TargetFields";
import { usuallyBuilt, WhatCarries } from "./WhatCarries";

const blank = {
  ownerName: "",
  ownerContact: "",
  platformId: "",
  newPlatform: "",
  make: "",
  name: "",
  plate: "",
  vin: "",
  variant: noVariant,
  odometer: "",
  wish: "",
  carries: "",
  troubles: "",
  promisedOn: "",
  ...usuallyBuilt("pickup"),
  equipment: "twoPostLift" as Schemas["Equipment"],
  sizes: noSizes,
  target: levelByHub,
  fitted: [] as FittedText[],
  /** A vehicle that was here before, whose chain goes on; null is a new one. */
  known: null as Schemas["VehicleHere"] | null,
};

/** Takes in a vehicle. What is typed is kept on the device until it is stored. */
export default function TakeIn() {
  const unit = useUnit();
  const navigate = useNavigate();
  const settings = useSettings();
  const [kept, keep, clear] = useDraft("take-in", {
    ...blank,
    target: levelAsSettled(settings),
    ids: { job: v7(), vehicle: v7(), stage: v7(), owner: v7(), command: v7() },
  });
  // What was worked out on the bench comes along in the address; the first thing that is typed makes it the person's own.
  const [from] = useSearchParams();
  const [touched, setTouched] = useState(false);
  // A draft may be older than a field.
  const whole = {
    ...kept,
    target: { ...levelByHub, ...kept.target },
    variant: { ...noVariant, ...kept.variant },
    sizes: { ...noSizes, ...kept.sizes },
  };
  const draft = touched
    ? whole
    : {
        ...whole,
        wish: kept.wish || (from.get("wish") ?? ""),
        sizes: {
          ...whole.sizes,
          tyreSize: kept.sizes.tyreSize || (from.get("tyre") ?? ""),
        },
      };
  const setDraft = (next: typeof draft) => {
    setTouched(true);
    keep(next);
  };
  const [problem, setProblem] = useState<Error | null>(null);
  const platformOf = usePlatformOf();

  const suspensions = useSuspensionKinds();

  const field = (
    key:
      | "ownerName"
      | "ownerContact"
      | "make"
      | "name"
      | "plate"
      | "vin"
      | "odometer"
      | "wish"
      | "carries"
      | "troubles",
    label: string,
  ) => (
    <TextField
      label={label}
      value={draft[key]}
      onChange={(e) => {
        setDraft({ ...draft, [key]: e.target.value });
      }}
      {...at(problem, key)}
    />
  );

  const once = useOnce();
  const take = async () => {
    setProblem(null);
    try {
      const platform = await platformOf(draft.platformId, draft.newPlatform);
      if (!draft.known) {
        await keepOnLists(platform.lists, draft.variant);
      }
      await shop(
        {
          kind: "takeIn",
          jobId: draft.ids.job,
          vehicleId: draft.known?.id ?? draft.ids.vehicle,
          stageId: draft.ids.stage,
          ownerId: draft.ids.owner,
          ownerName: draft.ownerName,
          ownerContact: draft.ownerContact || null,
          platformId: platform.id,
          make: draft.make,
          name: draft.name,
          plate: draft.plate || null,
          vin: draft.vin || null,
          engine: draft.variant.engine || null,
          drive: draft.variant.drive || null,
          variant: variantBody(draft.variant),
          sort: draft.kind,
          bodyKind: draft.bodyKind,
          front: draft.front,
          rear: draft.rear,
          sizes: sizesBody(draft.sizes, unit),
          // Of a vehicle that is known nothing said is nothing changed.
          fitted:
            draft.known && draft.fitted.length === 0
              ? null
              : fittedBody(draft.fitted, unit),
          wish: draft.wish || null,
          carries: draft.carries || null,
          troubles: draft.troubles || null,
          target: targetBody(draft.target, unit),
          promisedOn: draft.promisedOn || null,
          odometer: typed(draft.odometer, unit === "in" ? "mi" : "km"),
          equipment: draft.equipment,
        },
        draft.ids.command,
      );
      clear();
      await navigate(`/jobs/${draft.ids.job}/walk-round`);
    } catch (e) {
      setProblem(asError(e));
    }
  };

  return (
    <Box
      component="main"
      sx={{ px: { xs: 1.5, sm: 3 }, py: 2, maxWidth: 1080, width: "100%" }}
    >
      <form
        onSubmit={(e) => {
          e.preventDefault();
          void once(take);
        }}
      >
        <Typography variant="h1">Take in a vehicle</Typography>
        <Section title="Whose, and which">
          <Grid>
            {field("plate", "Plate")}
            {field("vin", "VIN")}
            {field("ownerName", "Owner")}
            {field("ownerContact", "Phone or mail")}
          </Grid>
          <KnownHere
            mark={draft.plate || draft.vin}
            chosen={draft.known}
            onChoose={(known) => {
              setDraft(
                known
                  ? {
                      ...draft,
                      known,
                      make: known.make,
                      name: known.name,
                      ownerName: draft.ownerName || known.owner,
                      platformId: known.platformId,
                    }
                  : { ...draft, known: null },
              );
            }}
          />
          <Box sx={{ mt: 1.5 }} />
          <Grid>
            {field("make", "Make")}
            {field("name", "Model")}
            <PlatformChoice
              id={draft.platformId}
              name={draft.newPlatform}
              problem={problem}
              onChange={(platformId, newPlatform) => {
                setDraft({ ...draft, platformId, newPlatform });
              }}
            />
            {!draft.known && (
              <VariantFields
                text={draft.variant}
                platformId={draft.platformId}
                problem={problem}
                onChange={(variant) => {
                  setDraft({ ...draft, variant });
                }}
              />
            )}
            {field("odometer", unit === "in" ? "Odometer, mi" : "Odometer, km")}
          </Grid>
        </Section>
        {!draft.known && (
          <Section title="What carries it">
            <Grid wide>
              <WhatCarries
                built={draft}
                suspensions={suspensions}
                onChange={(built) => {
                  setDraft({ ...draft, ...built });
                }}
              />
            </Grid>
          </Section>
        )}
        <Section title="How it shall sit">
          <TargetFields
            target={draft.target}
            onChange={(target) => {
              setDraft({ ...draft, target });
            }}
            problem={problem}
          />
          <Box sx={{ height: 12 }} />
          <Grid>
            {field("wish", "In the owner's words")}
            {field("carries", "Carries and tows")}
            {field("troubles", "Known troubles")}
            <TextField
              type="date"
              label="Promised for"
              value={draft.promisedOn}
              onChange={(e) => {
                setDraft({ ...draft, promisedOn: e.target.value });
              }}
              slotProps={{ inputLabel: { shrink: true } }}
            />
            <TextField
              select
              label="Lifted with"
              value={draft.equipment}
              onChange={(e) => {
                setDraft({
                  ...draft,
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
          </Grid>
          <Typography color="text.secondary" sx={{ mt: 1 }}>
            Rules on lift, lamp and bumper height differ by place: check them
            before you agree.
          </Typography>
        </Section>
        <Section
          title={draft.known ? "What was fitted since" : "What is fitted now"}
        >
          <FittedNow
            rows={draft.fitted}
            onChange={(fitted) => {
              setDraft({ ...draft, fitted });
            }}
            problem={problem}
          />
        </Section>
        {!draft.known && (
          <Section title="Its sizes, as far as you know them">
            <SizesDrawing
              sizes={draft.sizes}
              kind={draft.kind}
              live={liveAxles(suspensions, draft.front, draft.rear)}
              onChange={(sizes) => {
                setDraft({ ...draft, sizes });
              }}
              problem={problem}
            />
          </Section>
        )}
        <ProblemNote problem={problem} />
        <Button type="submit" variant="contained" sx={{ mt: 2 }}>
          Take it in and walk round
        </Button>
      </form>
    </Box>
  );
}

function Section({
  title,
  children,
}: {
  title: string;
  children: React.ReactNode;
}) {
  return (
    <Box component="section" sx={{ mt: 2.5 }}>
      <Typography variant="h2" sx={{ mb: 1.25 }}>
        {title}
      </Typography>
      {children}
    </Box>
  );
}

function Grid({
  wide = false,
  children,
}: {
  wide?: boolean;
  children: React.ReactNode;
}) {
  return (
    <Box
      sx={{
        display: "grid",
        gap: 1.5,
        gridTemplateColumns: `repeat(auto-fill, minmax(${wide ? "300px" : "190px"}, 1fr))`,
      }}
    >
      {children}
    </Box>
  );
}
