import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import Link from "@mui/material/Link";
import { useRef, useState } from "react";
import { useNavigate, useSearchParams } from "react-router";
import { v7 } from "uuid";
import type { Schemas } from "../../api/client";
import { shop } from "../../api/job";
import { Problem } from "../../api/problem";
import { useUnit } from "../../shared/Length";
import { asError, at, ProblemNote } from "../../shared/ProblemNote";
import { useDraft } from "../../shared/useDraft";
import { useSettings } from "../../shared/useSettings";
import { useSuspensionKinds } from "../../shared/useKinds";
import { liveAxles } from "../../shared/suspensions";
import { keepOnLists, VariantFields } from "../../shared/VariantFields";
import { noVariant } from "../../shared/variant";
import { useOnce } from "../../shared/useOnce";
import { equipmentWords } from "./correction";
import { FittedNow } from "./FittedNow";
import { noSizes } from "./sizes";
import { PlatformChoice, usePlatformOf } from "./PlatformChoice";
import { SizesDrawing } from "./SizesDrawing";
import { KnownHere } from "./KnownHere";
import { levelAsSettled, levelByHub, TargetFields } from "./TargetFields";
import { carriesSays, usuallyBuilt, WhatCarries } from "./WhatCarries";
import { Grid, Section } from "./FormParts";
import { isFolded } from "./folded";
import { blank, takeInBody } from "./takeInDraft";
import { ComebackFields } from "../hand-over/Comeback";
import { ChooseSort } from "./ChooseSort";
import { OwnerFields } from "./OwnerFields";

/** Takes in a vehicle. What is typed is kept on the device until it is stored. */
export default function TakeIn() {
  const unit = useUnit();
  const navigate = useNavigate();
  const settings = useSettings();
  // What lifted the last one here lifts this one too.
  const [lifts, keepLifts] = useDraft<Schemas["Equipment"] | "">("lifts", "");
  const [kept, keep, clear] = useDraft("take-in", {
    ...blank,
    equipment: lifts,
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
    built: kept.built ?? null,
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
  const form = useRef<HTMLFormElement>(null);
  const [more, setMore] = useState(false);
  const refused = (e: Error) => {
    setProblem(e);
    // Whatever is folded away is shown before the eye is sent to it.
    if (
      e instanceof Problem &&
      [e.field, ...e.also.map((f) => f.field)].some((f) => isFolded(f))
    ) {
      setMore(true);
    }
    requestAnimationFrame(() => {
      form.current
        ?.querySelector<HTMLElement>(
          "[aria-invalid=true], fieldset[aria-describedby] input",
        )
        ?.focus();
    });
  };
  const take = async () => {
    setProblem(null);
    try {
      const platform = await platformOf(draft.platformId, draft.newPlatform);
      if (!draft.known) {
        await keepOnLists(platform.lists, draft.variant);
      }
      await shop(takeInBody(draft, platform.id, unit), draft.ids.command);
      keepLifts(draft.equipment);
      clear();
      await navigate(`/jobs/${draft.ids.job}/walk-round`);
    } catch (e) {
      refused(asError(e));
    }
  };

  return (
    <Box
      component="main"
      sx={{ px: { xs: 1.5, sm: 3 }, py: 2, maxWidth: 1080, width: "100%" }}
    >
      <form
        ref={form}
        onSubmit={(e) => {
          // Enter in a field is no answer to the whole page: only the button sends it.
          e.preventDefault();
        }}
      >
        <Typography variant="h1" sx={{ mb: 1 }}>
          Take in a vehicle
        </Typography>
        <Grid>
          {field("plate", "Plate")}
          {field("vin", "or VIN")}
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
        {draft.known && (
          <Box sx={{ mt: 1.5 }}>
            <Grid>
              <ComebackFields
                text={draft.comeback}
                problem={problem}
                none="nothing: it is new work"
                onChange={(next) => {
                  setDraft({
                    ...draft,
                    comeback: { ...draft.comeback, ...next },
                  });
                }}
              />
            </Grid>
          </Box>
        )}
        {!draft.known && (
          <Box sx={{ mt: 1 }}>
            <ChooseSort
              sort={draft.built?.kind ?? null}
              says={problem instanceof Problem ? problem.says("sort") : null}
              onChange={(kind) => {
                setDraft({ ...draft, built: usuallyBuilt(kind) });
              }}
            />
            {draft.built && (
              <Typography color="text.secondary" sx={{ mt: 0.5 }}>
                {carriesSays(draft.built, suspensions)}.{" "}
                <Link
                  component="button"
                  type="button"
                  onClick={() => {
                    setMore(true);
                    requestAnimationFrame(() => {
                      document.getElementById("carries")?.scrollIntoView();
                    });
                  }}
                >
                  It is otherwise
                </Link>
              </Typography>
            )}
          </Box>
        )}
        <Box sx={{ mt: 2 }} />
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
          {field("odometer", unit === "in" ? "Odometer, mi" : "Odometer, km")}
          <OwnerFields
            name={draft.ownerName}
            contact={draft.ownerContact}
            problem={problem}
            onChange={(ownerName, ownerContact) => {
              setDraft({ ...draft, ownerName, ownerContact });
            }}
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
            {...at(problem, "equipment")}
          >
            {Object.entries(equipmentWords).map(([key, said]) => (
              <MenuItem key={key} value={key}>
                {said}
              </MenuItem>
            ))}
          </TextField>
        </Grid>
        <Section title="What is wanted">
          <Grid>
            <Box sx={{ gridColumn: { md: "span 2" } }}>
              {field("wish", "In the owner's words")}
            </Box>
            <TargetFields
              only="wish"
              target={draft.target}
              onChange={(target) => {
                setDraft({ ...draft, target });
              }}
              problem={problem}
            />
          </Grid>
          <Typography color="text.secondary" sx={{ mt: 1 }}>
            Rules on lift, lamp and bumper height differ by place: check them
            before you agree.
          </Typography>
        </Section>
        <Box
          component="details"
          open={more}
          onToggle={(e) => {
            setMore(e.currentTarget.open);
          }}
          sx={{ mt: 1 }}
        >
          <Box
            component="summary"
            sx={{ cursor: "pointer", fontWeight: 600, minHeight: 48, pt: 1.5 }}
          >
            What you know already: parts on it, sizes, limits, the day it is
            promised. All of it can follow later
          </Box>
          {!draft.known && draft.built && (
            <Section title="What carries it" id="carries">
              <Grid wide>
                <WhatCarries
                  built={draft.built}
                  suspensions={suspensions}
                  onChange={(change) => {
                    if (draft.built) {
                      setDraft({
                        ...draft,
                        built: { ...draft.built, ...change },
                      });
                    }
                  }}
                />
              </Grid>
            </Section>
          )}
          <Section title="More of it">
            <Grid>
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
            </Grid>
          </Section>
          <Section title="Within which limits">
            <TargetFields
              only="limits"
              target={draft.target}
              onChange={(target) => {
                setDraft({ ...draft, target });
              }}
              problem={problem}
            />
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
          {!draft.known && draft.built && (
            <Section title="Its sizes, as far as you know them">
              <SizesDrawing
                sizes={draft.sizes}
                kind={draft.built.kind}
                live={liveAxles(
                  suspensions,
                  draft.built.front,
                  draft.built.rear,
                )}
                onChange={(sizes) => {
                  setDraft({ ...draft, sizes });
                }}
                problem={problem}
              />
            </Section>
          )}
        </Box>
        <ProblemNote problem={problem} />
        <Button
          variant="contained"
          sx={{ mt: 2 }}
          onClick={() => void once(take)}
        >
          Take it in and walk round
        </Button>
      </form>
    </Box>
  );
}
