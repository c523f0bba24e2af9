import Box from "@mui/material/Box";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { JobView, Schemas } from "../../api/client";
import { currentStage } from "../../api/document";
import { useJob, useSeenVersion, useSend } from "../../api/job";
import { BothWays, type Lines } from "../../shared/BothWays";
import { useUnit } from "../../shared/Length";
import { shownU, text } from "../../shared/length";
import { Press } from "../../shared/Press";
import { asError, at } from "../../shared/ProblemNote";
import { typed } from "../../shared/quantity";
import { fieldLabel, fieldText, fieldUnit } from "../../shared/suspensions";
import { useSuspensionKinds } from "../../shared/useKinds";
import type { Mechanism } from "./geometry";

/** Sizes of one mechanism that nobody taped, with what each would do to the ±; kept beside those that are known. */
export function TapeThese({
  mechanism,
  axle,
}: {
  mechanism: Mechanism;
  axle: Schemas["Axle"];
}) {
  const view = useJob();
  const stage = currentStage(view.document);
  const suspension = stage[axle];
  const unit = useUnit();
  const send = useSend();
  const seen = useSeenVersion(stage.id);
  const kind = useSuspensionKinds().find((k) => k.kind === suspension.kind);
  const [texts, setTexts] = useState<Record<string, string>>({});
  const [side, setSide] = useState<Schemas["Side"] | "">("");
  const [problem, setProblem] = useState<Error | null>(null);
  const asksSide =
    mechanism.kind === "trackBar" && (suspension.barBodyEnd ?? null) === null;
  const asked = mechanism.asks.flatMap((a) => {
    const size = kind?.sizes.find((s) => s.name === a.size);
    return size ? [{ ...a, ...size, to: fieldUnit(size.unit, unit) }] : [];
  });
  const of = mechanism.ways[0]?.figure.unit;
  const u = (value: number) =>
    of === "mm" ? text(shownU(value, unit)) : `${(2 * value).toFixed(1)}°`;
  // What was typed stays mine, also when somebody else's size is there first and nothing is asked any more.
  const mine = (kind?.sizes ?? []).filter(
    (s) => (texts[s.name] ?? "").trim() !== "",
  );
  if (
    asked.length === 0 &&
    !asksSide &&
    mine.length === 0 &&
    problem === null
  ) {
    return null;
  }
  const lines = (values: Record<string, string>, hangs: string): Lines => ({
    ...Object.fromEntries(mine.map((s) => [s.label, values[s.name] ?? ""])),
    ...(hangs && { "The bar meets the body on the": hangs }),
  });
  const keep = async (over?: JobView) => {
    setProblem(null);
    try {
      seen.saved(
        await send(
          {
            kind: "tapeSizes",
            version: over ? (over.versions[stage.id] ?? 0) : seen.version,
            axle,
            sizes: mine.map((s) => ({
              name: s.name,
              value: typed(texts[s.name] ?? "", fieldUnit(s.unit, unit)),
            })),
            barBodyEnd: side || null,
          },
          `sizes of the ${axle} axle`,
        ),
      );
      setTexts({});
      setSide("");
    } catch (e) {
      setProblem(asError(e));
    }
  };
  return (
    <Box component="section" aria-label="To tape" sx={{ mt: 1.5 }}>
      <Typography variant="h3">
        {asked.some((a) => a.nowU !== null)
          ? "Not taped yet: these numbers are a usual axle’s"
          : asked.length > 1
            ? "Not taped yet"
            : "One thing more"}
      </Typography>
      <Box
        sx={{
          display: "grid",
          gap: 1.5,
          mt: 1,
          gridTemplateColumns: "repeat(auto-fill, minmax(220px, 1fr))",
          alignItems: "start",
        }}
      >
        {asked.map((a) => {
          const here = at(problem, a.name);
          return (
            <TextField
              key={a.name}
              label={fieldLabel(a.label, a.to)}
              value={texts[a.name] ?? ""}
              placeholder={a.to}
              onChange={(e) => {
                setTexts({ ...texts, [a.name]: e.target.value });
              }}
              error={here.error}
              helperText={
                here.helperText ??
                (a.nowU === null || a.thenU === null || a.thenU > 0.98 * a.nowU
                  ? a.how
                  : `${a.how} It makes ± ${u(a.nowU)} into ± ${u(a.thenU)}.`)
              }
              slotProps={{ inputLabel: { shrink: true } }}
            />
          );
        })}
        {asksSide && (
          <TextField
            select
            label="The bar meets the body on the"
            value={side}
            onChange={(e) => {
              setSide(e.target.value as typeof side);
            }}
            helperText="As one sits in it. Then it is told to which side the axle goes."
            slotProps={{
              inputLabel: { shrink: true },
              select: { displayEmpty: true },
            }}
          >
            <MenuItem value="">not said</MenuItem>
            <MenuItem value="left">left</MenuItem>
            <MenuItem value="right">right</MenuItem>
          </TextField>
        )}
      </Box>
      <Press variant="outlined" sx={{ mt: 1.5 }} act={() => keep()}>
        Keep what was taped
      </Press>
      <BothWays
        problem={problem}
        mine={lines(texts, side)}
        theirs={(fresh) => {
          const s = currentStage(fresh.document)[axle];
          return lines(
            Object.fromEntries(
              Object.entries(s.dimensions).map(([name, q]) => [
                name,
                fieldText(q),
              ]),
            ),
            s.barBodyEnd ?? "",
          );
        }}
        onTheirs={(fresh) => {
          seen.see(fresh);
          setTexts({});
          setProblem(null);
        }}
        onMine={(fresh) => keep(fresh)}
      />
    </Box>
  );
}
