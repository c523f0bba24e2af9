import type { Schemas } from "../../api/client";
import { ResultLength } from "../../shared/Length";
import { numberSays } from "../bench/bench";

/** How what was wanted stands now: a length, or a share of a hundred. */
export const TargetNow = ({
  proof,
  signed,
}: {
  proof: Schemas["TargetProof"];
  signed: boolean;
}) =>
  proof.now.unit === "mm" || proof.now.value === null ? (
    <ResultLength result={proof.now} signed={signed} />
  ) : (
    `${numberSays(proof.now)} of 100`
  );
