import type { Schemas } from "../../api/client";
import { useJob } from "../../api/job";
import { ResultLength, useUnit } from "../../shared/Length";
import { inMm, showText } from "../../shared/length";
import { knownWords } from "../../shared/quantity";
import { useSuspensionKinds } from "../../shared/useKinds";
import { conversionSays } from "../conversions/conversion";
import { pieceSays } from "../kits/kit";
import { KitClaims } from "../proof/KitClaims";

/** What was fitted: parts with their figures, other suspensions, kits; and what came of it. */
export function RecordParts({
  plan,
  proof,
}: {
  plan: Schemas["Plan"] | undefined;
  proof: Schemas["PlanProof"] | undefined;
}) {
  const unit = useUnit();
  const { kits: all, plans, stages, job } = useJob().document;
  const kits = all.filter((k) => k.planId === plan?.id);
  const kinds = useSuspensionKinds();
  // Of every pass of this job: what a later one left alone is still under the vehicle.
  const conversions = plans
    .filter((p) =>
      stages.some((s) => s.id === p.toStageId && s.jobId === job.id),
    )
    .flatMap((p) =>
      (p.conversions ?? []).map((conversion) => ({ plan: p, conversion })),
    );
  const length = (q: Schemas["Quantity"] | null) =>
    q ? `${showText(inMm(q), unit)} (${knownWords[q.known]})` : "unknown";
  return (
    <>
      <h3>Parts fitted</h3>
      {plan?.stacks.some((s) => s.parts.length > 0) ? (
        <table>
          <thead>
            <tr>
              <th scope="col">Corner</th>
              <th scope="col">Part</th>
              <th scope="col">Thickness</th>
              <th scope="col">Claim</th>
            </tr>
          </thead>
          <tbody>
            {plan.stacks.flatMap((s) =>
              s.parts.map((p) => (
                <tr key={p.id}>
                  <th scope="row">{s.corner}</th>
                  <td>
                    {p.name} {p.number}
                  </td>
                  <td>{length(p.thickness)}</td>
                  <td>{length(p.claim)}</td>
                </tr>
              )),
            )}
          </tbody>
        </table>
      ) : (
        conversions.length === 0 && <div>None.</div>
      )}
      {conversions.map(({ plan: p, conversion: c }) => (
        <div key={`${p.id} ${c.axle}`}>
          <b>
            {c.axle === "front" ? "Front" : "Rear"}:{" "}
            {kinds.find((k) => k.kind === c.to.kind)?.said}
          </b>
          .{" "}
          {conversionSays(
            c,
            stages.find((s) => s.id === p.fromStageId)?.[c.axle].kind ??
              c.to.kind,
            kinds,
          )}
        </div>
      ))}
      {kits.map((k) => (
        <div key={k.id}>
          <b>{k.name}</b> {k.number}:{" "}
          {k.pieces
            .map(
              (p) =>
                `${p.count.toString()} ${p.name}${p.end === "used" ? "" : `, ${pieceSays(p) ?? "not counted"}`}`,
            )
            .join("; ")}
          .
        </div>
      ))}
      {proof?.kits && <KitClaims kits={proof.kits} />}
      {proof?.lifts.map((l) => (
        <div key={l.axle}>
          {l.axle === "front" ? "Front" : "Rear"} achieved{" "}
          <b>
            <ResultLength result={l.measured} signed />
          </b>{" "}
          in this pass.
        </div>
      ))}
    </>
  );
}
