import Box from "@mui/material/Box";
import Link from "@mui/material/Link";
import Typography from "@mui/material/Typography";
import { Link as To } from "react-router";
import type { Schemas } from "../../api/client";
import { begunPlan, currentStage } from "../../api/document";
import { useJob } from "../../api/job";
import { BothWays } from "../../shared/BothWays";
import { Press } from "../../shared/Press";
import { usePartKinds } from "../../shared/useKinds";
import { useParts } from "../../shared/useParts";
import {
  corners,
  placed,
  placesOf,
  placings,
  settingUnits,
  turned,
} from "../plans/stacks";
import type { usePlans } from "../plans/usePlans";

/** Puts a part of the shelf that does what a cure shows into the plan that is looked at. */
export function PutIntoPlan({
  way,
  kind,
  axle,
  at,
}: {
  way: Schemas["MechanismWay"];
  kind: Schemas["PartKind"];
  axle: Schemas["Axle"];
  at: ReturnType<typeof usePlans>;
}) {
  const d = useJob().document;
  const parts = (useParts().data ?? []).filter(
    ({ part }) =>
      part.kind === kind &&
      part.count > 0 &&
      (way.partId === null || part.id === way.partId),
  );
  const rule = usePartKinds().find((k) => k.rule.kind === kind)?.rule;
  if (begunPlan(d) && !at.draft) {
    return null;
  }
  // A vehicle rolls on four tyres of one size.
  const where =
    kind === "tyre"
      ? corners
      : placesOf(
          rule?.perAxle ?? false,
          axle,
          "both",
          currentStage(d)[axle].barBodyEnd,
        );
  const plan = at.draft?.name ?? "a plan";
  if (kind === "steeringStops") {
    const degrees = way.setAt?.value ?? 0;
    return (
      <Box sx={{ mt: 1 }}>
        <Press
          variant="contained"
          act={() =>
            at.keep(
              turned(at.stacks, where, kind, {
                typed: degrees.toString(),
                unit: settingUnits[kind],
                known: "computed",
                answers: [],
              }),
            )
          }
        >
          Set steering stops {degrees}° earlier in {plan}
        </Press>
        <BothWays problem={at.problem} {...at.both} />
      </Box>
    );
  }
  return (
    <Box sx={{ mt: 1 }}>
      {parts.map(({ part }) => (
        <Press
          key={part.id}
          variant="contained"
          sx={{ mr: 1, mb: 1 }}
          act={() => at.keep(placings(placed(at.stacks, part, where)))}
        >
          Put {part.name} into {plan}
        </Press>
      ))}
      {parts.length === 0 && (
        <Typography color="text.secondary">
          No {rule?.said ?? "part"} lies on the shelf:{" "}
          <Link component={To} to="/shelf">
            put one there
          </Link>
          , then it goes into the plan, its card and its hours.
        </Typography>
      )}
      <BothWays problem={at.problem} {...at.both} />
    </Box>
  );
}
