import { Press } from "../../shared/Press";
import { currentStage } from "../../api/document";
import Box from "@mui/material/Box";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { JobView, Schemas } from "../../api/client";
import { useJob, type useSeenVersion, useSend } from "../../api/job";
import { useUnit } from "../../shared/Length";
import { BothWays, type Lines } from "../../shared/BothWays";
import { asError, at } from "../../shared/ProblemNote";
import { typed } from "../../shared/quantity";
import { fieldLabel, fieldText, fieldUnit } from "../../shared/suspensions";
import { BallastTest } from "./BallastTest";
import { gradeSays } from "./grade";
import { HeldHow, heldLines } from "./HeldHow";
import { LeafDrawing } from "./LeafDrawing";
import { PointsForm } from "./PointsForm";
import { pivots, ShacklePivot } from "./ShacklePivot";

/** Sizes that a ballast test finds; they are no field of their own. */
const found = ["wheelRate"];

const sizesOf = (s: Schemas["Suspension"]): Record<string, string> =>
  Object.fromEntries(
    Object.entries(s.dimensions).map(([name, q]) => [name, fieldText(q)]),
  );

const heldOf = (s: Schemas["Suspension"]) => ({
  heightControl: s.heightControl ?? null,
  medium: s.medium ?? null,
});

/** One axle: its kind, its drawing, its points and its sizes. */
export function AxleSuspension({
  axle,
  kinds,
  seen,
}: {
  axle: "front" | "rear";
  kinds: Schemas["KindView"][];
  seen: ReturnType<typeof useSeenVersion>;
}) {
  const view = useJob();
  const unit = useUnit();
  const send = useSend();
  const suspension = currentStage(view.document)[axle];
  const kind = kinds.find((k) => k.kind === suspension.kind);
  const [held, setHeld] = useState(() => heldOf(suspension));
  // A body without a frame stands on no mounts.
  const asked = (kind?.sizes ?? []).filter(
    (s) =>
      !found.includes(s.name) &&
      (!s.steered || axle === "front") &&
      // Elsewhere a sensor only tells lamps.
      (s.name !== "sensorArmShare" || held.heightControl !== null) &&
      (s.name !== "mountFound" ||
        view.document.vehicle.bodyKind === "bodyOnFrame"),
  );
  const known = view.axles.find((a) => a.axle === axle);
  const [sizes, setSizes] = useState(() => sizesOf(suspension));
  const [pivot, setPivot] = useState(suspension.shacklePivot ?? null);
  const [wanted, setWanted] = useState(suspension.kind);
  const [problem, setProblem] = useState<Error | null>(null);

  const unitOf = (s: Schemas["SuspensionSize"]) =>
    fieldUnit(s.unit, unit, suspension.dimensions[s.name]);

  const linesOf = (
    of: Schemas["SuspensionKind"],
    texts: Record<string, string>,
    hangs: typeof pivot,
    how: typeof held,
  ): Lines => ({
    "Suspension is a": kinds.find((k) => k.kind === of)?.said ?? "",
    ...(hangs && { "The shackle's pivot": pivots[hangs] }),
    ...heldLines(how),
    ...Object.fromEntries(asked.map((s) => [s.label, texts[s.name] ?? ""])),
  });

  const save = async (next: Schemas["SuspensionKind"], over?: JobView) => {
    setProblem(null);
    setWanted(next);
    const listed =
      kinds.find((k) => k.kind === next)?.sizes.map((s) => s.name) ?? [];
    try {
      seen.saved(
        await send(
          {
            kind: "setSuspension",
            version: over
              ? (over.versions[currentStage(over.document).id] ?? 0)
              : seen.version,
            axle,
            suspension: next,
            shacklePivot: pivot,
            ...held,
            sizes: asked
              .filter((s) => listed.includes(s.name))
              .map((s) => ({
                name: s.name,
                value: typed(sizes[s.name] ?? "", unitOf(s)),
              })),
          },
          `the ${axle} suspension`,
        ),
      );
    } catch (e) {
      setProblem(asError(e));
    }
  };

  if (!kind || !known) {
    return null;
  }
  const title = axle === "front" ? "Front" : "Rear";
  const rate = suspension.dimensions.wheelRate;
  return (
    <Box component="section" aria-label={`${title} suspension`} sx={{ mt: 3 }}>
      <Box
        sx={{
          display: "flex",
          flexWrap: "wrap",
          gap: 2,
          alignItems: "center",
          borderTop: 2,
          borderColor: "text.primary",
          pt: 1.5,
        }}
      >
        <Typography variant="h2">{title} suspension</Typography>
        <TextField
          select
          label={`${title} suspension is a`}
          value={suspension.kind}
          onChange={(e) =>
            void save(e.target.value as Schemas["SuspensionKind"])
          }
          fullWidth={false}
          sx={{ width: { xs: "100%", sm: 380 } }}
        >
          {kinds.map((k) => (
            <MenuItem key={k.kind} value={k.kind}>
              {k.said}
            </MenuItem>
          ))}
        </TextField>
      </Box>
      <Typography sx={{ fontWeight: 600, my: 1 }} role="status">
        {gradeSays(known, unit)}
      </Typography>
      {kind.archetype && (
        <PointsForm axle={axle} archetype={kind.archetype} seen={seen} />
      )}
      <Typography variant="h3" sx={{ mt: 2 }}>
        Its sizes, as it is without added parts
      </Typography>
      <Typography color="text.secondary" sx={{ mb: 1.5 }}>
        Each may stay empty. Lengths of strut, shock and stop give the travel
        that is left; rates and loads what another spring does.
      </Typography>
      {kind.sizes.some((s) => s.name === "leafChord") && (
        <>
          <LeafDrawing
            underslung={kind.kind === "leafUnderslung"}
            pulled={pivot === "belowEye"}
          />
          <ShacklePivot axle={axle} value={pivot} onChange={setPivot} />
        </>
      )}
      <HeldHow axle={axle} kind={kind.kind} value={held} onChange={setHeld} />
      <Box
        sx={{
          display: "grid",
          gap: 1.5,
          gridTemplateColumns: "repeat(auto-fill, minmax(235px, 1fr))",
          alignItems: "start",
        }}
      >
        {asked.map((s) => {
          const here = at(problem, s.name);
          return (
            <TextField
              key={s.name}
              label={fieldLabel(s.label, unitOf(s))}
              value={sizes[s.name] ?? ""}
              onChange={(e) => {
                setSizes({ ...sizes, [s.name]: e.target.value });
              }}
              placeholder={s.unit === "1" ? "for example 0.5" : unitOf(s)}
              error={here.error}
              helperText={here.helperText ?? s.how}
              slotProps={{ inputLabel: { shrink: true } }}
            />
          );
        })}
      </Box>
      <Press
        variant="outlined"
        sx={{ mt: 1.5 }}
        act={() => save(suspension.kind)}
      >
        Keep the {axle} sizes
      </Press>
      <BothWays
        problem={problem}
        mine={linesOf(wanted, sizes, pivot, held)}
        theirs={(fresh) => {
          const s = currentStage(fresh.document)[axle];
          return linesOf(s.kind, sizesOf(s), s.shacklePivot ?? null, heldOf(s));
        }}
        onTheirs={(fresh) => {
          const theirs = currentStage(fresh.document)[axle];
          setSizes(sizesOf(theirs));
          setPivot(theirs.shacklePivot ?? null);
          setHeld(heldOf(theirs));
          seen.see(fresh);
          setProblem(null);
        }}
        onMine={(fresh) => save(wanted, fresh)}
      />
      <BallastTest axle={axle} rate={rate ?? null} seen={seen} />
    </Box>
  );
}
