import type { Schemas } from "../../api/client";
import { Length, ResultLength } from "../../shared/Length";

const where = (axle: Schemas["Axle"] | null) =>
  axle === null ? "as a whole" : axle === "front" ? "in front" : "at the rear";

/** What the boxes claim, beside what came. */
export function KitClaims({ kits }: { kits: Schemas["KitClaim"][] }) {
  return kits.map((k) => (
    <div key={`${k.kit} ${k.axle ?? ""}`}>
      {k.kit} claims <Length mm={k.claimMm} /> {where(k.axle)}:{" "}
      <b>
        <ResultLength result={k.came} signed />
      </b>{" "}
      came{k.kept === false ? ", less than claimed" : ""}
      {k.but.length > 0 && ` (${k.but.join(", ")})`}.
    </div>
  ));
}
