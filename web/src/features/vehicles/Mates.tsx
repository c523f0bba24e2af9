import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { JobView, Schemas } from "../../api/client";
import { currentStage } from "../../api/document";
import { useJob, useSeenVersion, useSend } from "../../api/job";
import { mateWords } from "../../api/words";
import { BothWays, type Lines } from "../../shared/BothWays";
import { useUnit } from "../../shared/Length";
import { asError, at } from "../../shared/ProblemNote";
import { retypedWithUnit, typed } from "../../shared/quantity";
import { useOnce } from "../../shared/useOnce";

type Kind = Schemas["MateKind"];
type Texts = Record<string, string>;

const kinds = Object.keys(mateWords) as Kind[];
const axles = ["front", "rear"] as const;
const key = (axle: Schemas["Axle"], kind: Kind) => `${axle} ${kind}`;
const places = axles.flatMap((axle) => kinds.map((kind) => ({ axle, kind })));

const textsOf = (v: Schemas["Vehicle"]): Texts =>
  Object.fromEntries(
    places.map(({ axle, kind }) => {
      const is = v.mates?.find(
        (m) => m.axle === axle && m.is.kind === kind,
      )?.is;
      return [
        key(axle, kind),
        is?.size ? retypedWithUnit(is.size) : (is?.written ?? ""),
      ];
    }),
  );

const linesOf = (texts: Texts): Lines =>
  Object.fromEntries(
    places.map(({ axle, kind }) => [
      `${mateWords[kind].said}, ${axle}`,
      texts[key(axle, kind)] ?? "",
    ]),
  );

/** Studs, bores and ends that a part must meet: what is empty was not looked at. */
export function Mates() {
  const view = useJob();
  const send = useSend();
  const unit = useUnit();
  const once = useOnce();
  const { vehicle } = view.document;
  const stage = currentStage(view.document);
  const seen = useSeenVersion(vehicle.id);
  const [texts, setTexts] = useState(() => textsOf(vehicle));
  const [problem, setProblem] = useState<Error | null>(null);
  // Of an axle only what its suspension has, and what somebody wrote down all the same.
  const asked = (axle: Schemas["Axle"]) =>
    kinds.filter(
      (kind) =>
        mateWords[kind].on.includes(stage[axle].kind) || texts[key(axle, kind)],
    );
  const save = async (over?: JobView) => {
    setProblem(null);
    try {
      seen.saved(
        await send(
          {
            kind: "setMates",
            version: over ? (over.versions[vehicle.id] ?? 0) : seen.version,
            mates: places.map(({ axle, kind }) => {
              const text = texts[key(axle, kind)] ?? "";
              return mateWords[kind].length
                ? {
                    axle,
                    mate: kind,
                    size: typed(text, unit, "measured", ["asTyped", "decimal"]),
                    written: null,
                  }
                : { axle, mate: kind, size: null, written: text || null };
            }),
          },
          "studs and bores",
        ),
      );
    } catch (e) {
      setProblem(asError(e));
    }
  };
  return (
    <Box
      component="form"
      aria-labelledby="mates"
      onSubmit={(e) => {
        e.preventDefault();
        void once(() => save());
      }}
      sx={{ mt: 3 }}
    >
      <Typography id="mates" variant="h2">
        What parts must meet
      </Typography>
      <Typography color="text.secondary" sx={{ mb: 1 }}>
        Studs, bores and ends as you find them. A part that is made for others
        is left out; what is empty here stays a question.
      </Typography>
      {axles.map((axle) => (
        <Box
          key={axle}
          component="fieldset"
          sx={{
            border: 0,
            p: 0,
            m: 0,
            mb: 1.5,
            display: "grid",
            gap: 1.5,
            gridTemplateColumns: "repeat(auto-fill, minmax(210px, 1fr))",
          }}
        >
          <Typography component="legend" sx={{ fontWeight: 600, mb: 0.5 }}>
            {axle === "front" ? "Front" : "Rear"}
          </Typography>
          {asked(axle).map((kind) => {
            const i = places.findIndex(
              (p) => p.axle === axle && p.kind === kind,
            );
            const { said, length } = mateWords[kind];
            return (
              <TextField
                key={kind}
                size="small"
                label={`${said[0]?.toUpperCase() ?? ""}${said.slice(1)}${length ? `, ${unit}` : ""}`}
                value={texts[key(axle, kind)] ?? ""}
                onChange={(e) => {
                  setTexts({ ...texts, [key(axle, kind)]: e.target.value });
                }}
                slotProps={{
                  htmlInput: {
                    "aria-label": `${said}${length ? `, ${unit}` : ""}, ${axle}`,
                  },
                }}
                {...at(problem, `mates[${i.toString()}].size`)}
              />
            );
          })}
        </Box>
      ))}
      <Button type="submit" variant="outlined">
        Keep what parts must meet
      </Button>
      <BothWays
        problem={problem}
        mine={linesOf(texts)}
        theirs={(fresh) => linesOf(textsOf(fresh.document.vehicle))}
        onTheirs={(fresh) => {
          setTexts(textsOf(fresh.document.vehicle));
          seen.see(fresh);
          setProblem(null);
        }}
        onMine={(fresh) => save(fresh)}
      />
    </Box>
  );
}
