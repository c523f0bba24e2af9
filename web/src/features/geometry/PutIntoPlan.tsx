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
import { placed, placings } from "../plans/stacks";
import type { usePlans } from "../plans/usePlans";
import { cornersFor } from "./geometry";

/** Puts a part of the shelf that does what a cure shows into the plan that is looked at. */
export function PutIntoPlan({
  kind,
  axle,
  at,
}: {
  kind: Schemas["PartKind"];
  axle: Schemas["Axle"];
  at: ReturnType<typeof usePlans>;
}) {
  const d = useJob().document;
  const parts = (useParts().data ?? []).filter(
    ({ part }) => part.kind === kind && part.count > 0,
  );
  const said =
    usePartKinds().find((k) => k.rule.kind === kind)?.rule.said ?? "part";
  if (begunPlan(d) && !at.draft) {
    return null;
  }
  const where = cornersFor(kind, axle, currentStage(d)[axle].barBodyEnd);
  return (
    <Box sx={{ mt: 1 }}>
      {parts.map(({ part }) => (
        <Press
          key={part.id}
          variant="contained"
          sx={{ mr: 1, mb: 1 }}
          act={() => at.keep(placings(placed(at.stacks, part, where)))}
        >
          Put {part.name} into {at.draft?.name ?? "a plan"}
        </Press>
      ))}
      {parts.length === 0 && (
        <Typography color="text.secondary">
          No {said} lies on the shelf:{" "}
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
