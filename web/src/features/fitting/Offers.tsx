import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import type { Schemas } from "../../api/client";
import { jointWords } from "../../api/words";
import { torqueText } from "./torque";

/** A spec as it is offered: from the other side, or from an earlier vehicle. */
export interface SpecOffer {
  spec: Schemas["JointSpec"];
  /** As the button says it. */
  says: string;
  /** The source as it is written when it is confirmed. */
  source: string;
}

/** What is offered for a joint without a spec: the other side first, then earlier vehicles of the platform. */
export function specOffers(
  twin: Schemas["JointSpec"] | null,
  earlier: Schemas["OfferedJoint"] | undefined,
): SpecOffer[] {
  return [
    ...(twin
      ? [{ spec: twin, says: "As on the other side", source: twin.source }]
      : []),
    ...(earlier?.specs ?? []).map((o) => ({
      spec: o.spec,
      says: `As on ${o.said}${o.vehicles > 1 ? ` and ${(o.vehicles - 1).toString()} more` : ""}: ${specText(o.spec)}`,
      source: `${o.spec.source}, as on ${o.said}`,
    })),
  ];
}

function specText(spec: Schemas["JointSpec"]): string {
  return (
    (spec.torque ? torqueText(spec.torque) : (spec.criterion ?? "")) +
    (spec.angle ? `, then ${spec.angle.value.toString()}°` : "")
  );
}

/** Buttons that fill the spec's form; it counts when it is kept. */
export function SpecOffers({
  offers,
  onTake,
}: {
  offers: SpecOffer[];
  onTake: (offer: SpecOffer) => void;
}) {
  if (offers.length === 0) {
    return null;
  }
  return (
    <Box sx={{ gridColumn: "1 / -1" }}>
      {offers.map((o) => (
        <Button
          key={o.says}
          size="small"
          sx={{ mr: 1 }}
          onClick={() => {
            onTake(o);
          }}
        >
          {o.says}
        </Button>
      ))}
    </Box>
  );
}

/** In what earlier vehicles differ from this one, so that somebody looks. */
export function OtherwiseThere({
  offer,
  confirmed,
}: {
  offer: Schemas["OfferedJoint"] | undefined;
  /** Whether this joint has its own spec already. */
  confirmed: boolean;
}) {
  if (!offer) {
    return null;
  }
  const said = [
    offer.specs.length > (confirmed ? 0 : 1)
      ? `earlier vehicles ${confirmed ? "had another value" : "disagree"}: ${offer.specs.map((s) => `${specText(s.spec)} on ${s.said}`).join(", ")}`
      : null,
    offer.kind ? `${offer.said ?? ""}: ${jointWords[offer.kind].said}` : null,
    offer.fasteners
      ? `on ${offer.said ?? ""}: ${offer.fasteners.map((f) => `${f.count.toString()} × ${f.position}${f.thread ? ` ${f.thread}` : ""}`).join("; ")}`
      : null,
    offer.none > 0
      ? `${offer.none.toString()} earlier ${offer.none === 1 ? "vehicle" : "vehicles"} had none`
      : null,
  ].filter((s) => s !== null);
  return said.length === 0 ? null : (
    <Typography sx={{ color: "warning.main" }}>
      ▲ Look: {said.join("; ")}.
    </Typography>
  );
}
