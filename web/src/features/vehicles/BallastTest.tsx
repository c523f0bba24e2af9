import Box from "@mui/material/Box";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Press } from "../../shared/Press";
import type { JobView, Schemas, Unit } from "../../api/client";
import { currentStage } from "../../api/document";
import { type useSeenVersion, useSend } from "../../api/job";
import { useUnit } from "../../shared/Length";
import { BothWays } from "../../shared/BothWays";
import { asError, at } from "../../shared/ProblemNote";
import { typed } from "../../shared/quantity";

const fields = [
  { key: "weight", label: "Weight put on" },
  { key: "behind", label: "Behind the front axle" },
  { key: "without", label: "Hub to lip, without" },
  { key: "with", label: "Hub to lip, with it on" },
  { key: "after", label: "Hub to lip, off again" },
] as const;

const rateText = (rate: Schemas["Quantity"] | null) =>
  rate
    ? `${rate.value.toFixed(1)} ± ${(2 * (rate.u ?? 0)).toFixed(1)} ${rate.unit}`
    : "";

/** A known weight at a known place gives the axle's own rate. */
export function BallastTest({
  axle,
  rate,
  seen,
}: {
  axle: "front" | "rear";
  rate: Schemas["Quantity"] | null;
  seen: ReturnType<typeof useSeenVersion>;
}) {
  const unit = useUnit();
  const send = useSend();
  const [texts, setTexts] = useState<Record<string, string>>({});
  const [problem, setProblem] = useState<Error | null>(null);
  const save = async (over?: JobView) => {
    setProblem(null);
    const mass = unit === "in" ? "lb" : "kg";
    const value = (key: string, of: Unit): Schemas["QuantityInput"] =>
      typed(texts[key] ?? "", of) ?? {
        typed: "",
        unit: of,
        known: "measured",
      };
    try {
      seen.saved(
        await send(
          {
            kind: "noteBallast",
            version: over
              ? (over.versions[currentStage(over.document).id] ?? 0)
              : seen.version,
            axle,
            weight: value("weight", mass),
            behind: value("behind", unit),
            without: value("without", unit),
            with: value("with", unit),
            after: value("after", unit),
          },
          "the ballast test",
        ),
      );
      setTexts({});
    } catch (e) {
      setProblem(asError(e));
    }
  };
  return (
    <Box component="details" sx={{ mt: 1.5 }}>
      <Typography
        component="summary"
        sx={{ cursor: "pointer", fontWeight: 600, minHeight: 48, pt: 1.5 }}
      >
        Ballast test:{" "}
        {rate
          ? `${rateText(rate)} a side, measured`
          : "rate estimated from the mass it carries"}
      </Typography>
      <Typography color="text.secondary">
        A known weight right over the {axle} axle, as much as four people. Read
        hub to lip on both sides before, with it on, and off again, bounced and
        rolled each time; enter the mean of both sides.
      </Typography>
      <Box
        sx={{
          display: "grid",
          gap: 1.5,
          mt: 1.5,
          gridTemplateColumns: "repeat(auto-fill, minmax(190px, 1fr))",
        }}
      >
        {fields.map(({ key, label }) => (
          <TextField
            key={key}
            label={label}
            value={texts[key] ?? ""}
            placeholder={
              key === "weight" ? (unit === "in" ? "lb" : "kg") : unit
            }
            onChange={(e) => {
              setTexts({ ...texts, [key]: e.target.value });
            }}
            slotProps={{
              inputLabel: { shrink: true },
              htmlInput: { "aria-label": `${label}, ${axle}` },
            }}
            {...at(problem, key)}
          />
        ))}
      </Box>
      <Press variant="outlined" sx={{ mt: 1.5 }} act={() => save()}>
        Work out the {axle} rate
      </Press>
      <BothWays
        problem={problem}
        mine={{ "Rate of a side": "by this test" }}
        theirs={(fresh) => ({
          "Rate of a side": rateText(
            currentStage(fresh.document)[axle].dimensions.wheelRate ?? null,
          ),
        })}
        onTheirs={(fresh) => {
          seen.see(fresh);
          setTexts({});
          setProblem(null);
        }}
        onMine={(fresh) => save(fresh)}
      />
    </Box>
  );
}
