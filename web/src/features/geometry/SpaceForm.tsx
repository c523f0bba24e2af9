import Box from "@mui/material/Box";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { JobView, Schemas } from "../../api/client";
import { currentStage } from "../../api/document";
import { useJob, useSeenVersion, useSend } from "../../api/job";
import { BothWays, type Lines } from "../../shared/BothWays";
import { useUnit } from "../../shared/Length";
import { Press } from "../../shared/Press";
import { asError, at } from "../../shared/ProblemNote";
import { retypedWithUnit, typed } from "../../shared/quantity";
import { useSuspensionKinds } from "../../shared/useKinds";

const ways = ["forward", "outward", "up"] as const;
type Texts = Record<string, Record<(typeof ways)[number], string>>;

function textsOf(
  s: Schemas["Suspension"],
  names: Schemas["SpacePointName"][],
): Texts {
  return Object.fromEntries(
    names.map(({ name }) => {
      const p = s.spacePoints?.find((x) => x.name === name);
      return [
        name,
        {
          forward: retypedWithUnit(p?.x ?? null),
          outward: retypedWithUnit(p?.y ?? null),
          up: retypedWithUnit(p?.z ?? null),
        },
      ];
    }),
  );
}

/** The nine points of an independent front, taped in space: forward of the wheel, outward from the middle, up from the floor. */
export function SpaceForm() {
  const view = useJob();
  const stage = currentStage(view.document);
  const kind = useSuspensionKinds().find((k) => k.kind === stage.front.kind);
  return kind && kind.spacePoints.length > 0 ? (
    <Form key={stage.id} names={kind.spacePoints} />
  ) : null;
}

function Form({ names }: { names: Schemas["SpacePointName"][] }) {
  const view = useJob();
  const stage = currentStage(view.document);
  const unit = useUnit();
  const send = useSend();
  const seen = useSeenVersion(stage.id);
  const [texts, setTexts] = useState(() => textsOf(stage.front, names));
  const [problem, setProblem] = useState<Error | null>(null);
  const lines = (of: Texts): Lines =>
    Object.fromEntries(
      names.map(({ name, label }) => [
        label,
        ways.map((w) => of[name]?.[w] ?? "").join(" · "),
      ]),
    );
  const keep = async (over?: JobView) => {
    setProblem(null);
    try {
      seen.saved(
        await send(
          {
            kind: "setSpacePoints",
            version: over ? (over.versions[stage.id] ?? 0) : seen.version,
            axle: "front",
            points: names.map(({ name }) => ({
              name,
              forward: typed(texts[name]?.forward ?? "", unit),
              outward: typed(texts[name]?.outward ?? "", unit),
              up: typed(texts[name]?.up ?? "", unit),
            })),
          },
          "points of the front suspension",
        ),
      );
    } catch (e) {
      setProblem(asError(e));
    }
  };
  const all = at(problem, "points");
  return (
    <Box component="details" sx={{ mt: 1.5 }}>
      <Box component="summary" sx={{ fontWeight: 700, minHeight: 40 }}>
        Points in space, left or right, on its wheels
      </Box>
      <Typography color="text.secondary" sx={{ mb: 1 }}>
        Plumb each point to the floor. Forward of the wheel centre (minus is
        behind it), outward from the vehicle’s middle, up from the floor.
      </Typography>
      <Box
        sx={{
          display: "grid",
          gap: 1,
          gridTemplateColumns: {
            xs: "repeat(3, minmax(0,1fr))",
            sm: "190px repeat(3, 130px)",
          },
          alignItems: "center",
        }}
      >
        {names.map(({ name, label }) => (
          <Box key={name} sx={{ display: "contents" }}>
            <Typography
              sx={{ gridColumn: { xs: "1 / -1", sm: "auto" }, fontWeight: 600 }}
            >
              {label}
            </Typography>
            {ways.map((w) => {
              const here = at(problem, `${name}.${w}`);
              return (
                <TextField
                  key={w}
                  label={w}
                  value={texts[name]?.[w] ?? ""}
                  placeholder={unit}
                  onChange={(e) => {
                    const now = texts[name] ?? {
                      forward: "",
                      outward: "",
                      up: "",
                    };
                    setTexts({
                      ...texts,
                      [name]: { ...now, [w]: e.target.value },
                    });
                  }}
                  error={here.error}
                  helperText={here.helperText}
                  slotProps={{
                    inputLabel: { shrink: true },
                    htmlInput: { "aria-label": `${label}, ${w}` },
                  }}
                />
              );
            })}
          </Box>
        ))}
      </Box>
      {all.error && (
        <Typography role="alert" sx={{ color: "error.main", mt: 1 }}>
          ■ {all.helperText}
        </Typography>
      )}
      <Press variant="outlined" sx={{ mt: 1.5 }} act={() => keep()}>
        Keep the points
      </Press>
      <BothWays
        problem={problem}
        mine={lines(texts)}
        theirs={(fresh) =>
          lines(textsOf(currentStage(fresh.document).front, names))
        }
        onTheirs={(fresh) => {
          seen.see(fresh);
          setTexts(textsOf(currentStage(fresh.document).front, names));
          setProblem(null);
        }}
        onMine={(fresh) => keep(fresh)}
      />
    </Box>
  );
}
