import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import type { Schemas } from "../../api/client";
import { ResultLength, useUnit } from "../../shared/Length";
import { showText } from "../../shared/length";

/** Plans compared line by line; pointing at one shows it in the band. */
export function PlanTable({
  plans,
  predictions,
  selected,
  onSelect,
  onBand,
}: {
  plans: Schemas["Plan"][];
  predictions: Schemas["Prediction"][];
  selected: string | undefined;
  onSelect: (id: string) => void;
  onBand: (prediction: Schemas["Prediction"] | null) => void;
}) {
  const unit = useUnit();
  if (plans.length < 2) {
    return null;
  }
  const least = (
    p: Schemas["Prediction"] | undefined,
    of: "droop" | "bump",
  ): string => {
    const left = (p?.corners ?? [])
      .map((c) => c[of].value)
      .filter((v) => v !== null);
    return left.length > 0 ? showText(Math.min(...left), unit) : "not known";
  };
  const cost = (c: Schemas["PlanCost"] | null | undefined) =>
    c
      ? [
          `${c.pieces.toString()} pieces`,
          c.price === null
            ? null
            : `${c.price.toFixed(2)} ${c.currency ?? ""}`.trim(),
          c.hours === null ? null : `${c.hours.toFixed(1)} h`,
          c.unpriced > 0 ? `${c.unpriced.toString()} without a price` : null,
        ]
          .filter(Boolean)
          .join(" · ")
      : "";
  return (
    <Box component="section" sx={{ mt: 2, overflowX: "auto" }}>
      <Typography variant="h2">Side by side</Typography>
      <Box
        component="table"
        sx={{
          borderCollapse: "collapse",
          minWidth: 620,
          "& th, & td": {
            textAlign: "left",
            py: 0.75,
            pr: 2,
            borderBottom: 1,
            borderColor: "divider",
            verticalAlign: "top",
          },
        }}
      >
        <thead>
          <tr>
            <th scope="col">Plan</th>
            <th scope="col">Front rises</th>
            <th scope="col">Rear rises</th>
            <th scope="col">Rake</th>
            <th scope="col">Least droop</th>
            <th scope="col">Least bump</th>
            <th scope="col">What it takes</th>
          </tr>
        </thead>
        <tbody>
          {plans.map((plan) => {
            const p = predictions.find((x) => x.planId === plan.id);
            return (
              <tr
                key={plan.id}
                onMouseEnter={() => {
                  onBand(p ?? null);
                }}
                onMouseLeave={() => {
                  onBand(null);
                }}
              >
                <th scope="row">
                  <Button
                    aria-pressed={plan.id === selected}
                    aria-label={`Look at ${plan.name}`}
                    onFocus={() => {
                      onBand(p ?? null);
                    }}
                    onBlur={() => {
                      onBand(null);
                    }}
                    onClick={() => {
                      onSelect(plan.id);
                    }}
                  >
                    {plan.name}
                  </Button>
                </th>
                {p && p.cannot === null ? (
                  <>
                    <td>
                      <ResultLength result={p.frontRise} signed />
                    </td>
                    <td>
                      <ResultLength result={p.rearRise} signed />
                    </td>
                    <td>
                      <ResultLength result={p.rake} signed />
                    </td>
                    <td>{least(p, "droop")}</td>
                    <td>{least(p, "bump")}</td>
                    <td>
                      {cost(p.cost)}
                      {p.refusals.length > 0 && " · ■ must not be fitted"}
                    </td>
                  </>
                ) : (
                  <td colSpan={6}>{p?.cannot ?? ""}</td>
                )}
              </tr>
            );
          })}
        </tbody>
      </Box>
    </Box>
  );
}
