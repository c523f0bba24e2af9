import Box from "@mui/material/Box";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { v7 } from "uuid";
import type { Schemas } from "../../api/client";
import { useJob, useSend } from "../../api/job";
import { oddsSays } from "../../shared/chance";
import { Press } from "../../shared/Press";
import { asError, at, ProblemNote } from "../../shared/ProblemNote";
import { useSettings } from "../../shared/useSettings";
import { rateOf } from "./quotes";

/** Which plans are offered, what an hour costs and until when. */
export function OfferPlans({
  plans,
  quote,
}: {
  plans: readonly Schemas["Plan"][];
  quote: Schemas["Quote"] | null;
}) {
  const { predictions } = useJob().results;
  const settings = useSettings();
  const send = useSend();
  // Nobody lays more than three side by side.
  const [offered, setOffered] = useState(() =>
    plans.slice(0, 3).map((p) => p.id),
  );
  const [rate, setRate] = useState(settings.hourRate?.toString() ?? "");
  const [until, setUntil] = useState("");
  const [problem, setProblem] = useState<Error | null>(null);
  if (plans.length === 0) {
    return (
      <Typography sx={{ mt: 1 }}>
        Nothing is planned yet: what is offered are plans. Draw one up, or let
        stacks be found.
      </Typography>
    );
  }
  const offer = async () => {
    setProblem(null);
    try {
      await send(
        {
          kind: "makeQuote",
          id: v7(),
          plans: plans.map((p) => p.id).filter((id) => offered.includes(id)),
          hourRate: rateOf(rate),
          holdsUntil: until === "" ? null : until,
        },
        "the quote",
      );
    } catch (e) {
      setProblem(asError(e));
    }
  };
  const fields = ["hourRate", "holdsUntil"];
  return (
    <Box component="section" aria-label="What is offered" sx={{ mt: 2 }}>
      <Typography variant="h2">
        {quote ? "Offer anew" : "What is offered"}
      </Typography>
      {quote && (
        <Typography color="text.secondary">
          Another quote takes the place of the one beside it.
        </Typography>
      )}
      <Box sx={{ display: "grid" }}>
        {plans.map((p) => {
          const its = predictions.find((x) => x.planId === p.id);
          return (
            <FormControlLabel
              key={p.id}
              control={
                <Checkbox
                  checked={offered.includes(p.id)}
                  onChange={(e) => {
                    setOffered(
                      e.target.checked
                        ? [...offered, p.id]
                        : offered.filter((id) => id !== p.id),
                    );
                  }}
                />
              }
              label={[
                p.name,
                its?.landing?.value != null &&
                  `${oddsSays(its.landing.value)} to land`,
                its?.cost?.price != null &&
                  `${its.cost.price.toString()} ${its.cost.currency ?? ""}`,
              ]
                .filter(Boolean)
                .join(" · ")}
            />
          );
        })}
      </Box>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, mt: 1 }}>
        <TextField
          fullWidth={false}
          size="small"
          label="An hour costs"
          placeholder="hours alone"
          value={rate}
          onChange={(e) => {
            setRate(e.target.value);
          }}
          {...at(problem, "hourRate")}
          sx={{ width: 170 }}
        />
        <TextField
          fullWidth={false}
          size="small"
          type="date"
          label="Holds until"
          value={until}
          onChange={(e) => {
            setUntil(e.target.value);
          }}
          {...at(problem, "holdsUntil")}
          sx={{ width: 170 }}
          slotProps={{ inputLabel: { shrink: true } }}
        />
        <Press variant={quote ? "outlined" : "contained"} act={offer}>
          Write the quote
        </Press>
      </Box>
      {!fields.some((f) => at(problem, f).error) && (
        <Box sx={{ mt: 1 }}>
          <ProblemNote problem={problem} />
        </Box>
      )}
    </Box>
  );
}
