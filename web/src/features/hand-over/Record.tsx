import Box from "@mui/material/Box";
import { Paper } from "../../shared/Paper";
import type { Schemas } from "../../api/client";
import { begunPlan, firstStage, heightAt, speaks } from "../../api/document";
import { useJob } from "../../api/job";
import { ResultLength, useUnit } from "../../shared/Length";
import { cornerWords } from "../../shared/quantity";
import { cutText } from "../fitting/Cuts";
import { positionWords, passesOver, torqueText } from "../fitting/torque";
import { corrections } from "../walk-rounds/reading/corrections";
import {
  measureTitle,
  placeWords,
  valueText,
} from "../walk-rounds/measures/measures";
import { useCatalogue } from "../walk-rounds/measures/useCatalogue";
import { Moved } from "../proof/Moved";
import { TargetNow } from "../proof/TargetNow";
import { heads, targetWords, verdicts } from "../proof/verdict";
import { due } from "./due";
import { RecordParts } from "./RecordParts";

/** One page for the owner, always ink on white, made for A4 and Letter alike. */
export function Record() {
  const view = useJob();
  const d = view.document;
  const plan = begunPlan(d);
  const proof = view.results.proofs.find((p) => p.planId === plan?.id);
  const first = firstStage(d);
  const before = speaks(view, first.id);
  const last = plan && speaks(view, plan.toStageId ?? "");
  const people = d.people.map((p) => p.name).join(", ");
  return (
    <Paper
      title="Record"
      sx={{
        "& h3": {
          fontSize: "0.95rem",
          mt: 1.25,
          mb: 0.25,
          borderBottom: "1px solid",
        },
        "& th, & td": { py: "1px" },
        "& thead th": { borderBottom: "1px solid" },
        "& ul": { my: 0.25, pl: 2 },
        "@media print": { fontSize: "8pt" },
      }}
    >
      <h2>
        {d.vehicle.make} {d.vehicle.name}, {d.vehicle.plate ?? d.vehicle.vin}
      </h2>
      <div>
        {d.owner.name} · taken in {d.job.takenInAt.slice(0, 10)}
        {d.job.odometerIn &&
          ` at ${d.job.odometerIn.value.toString()} ${d.job.odometerIn.unit}`}
        {d.job.handedOverAt &&
          ` · handed over ${d.job.handedOverAt.slice(0, 10)}`}
        {d.job.odometerOut &&
          ` at ${d.job.odometerOut.value.toString()} ${d.job.odometerOut.unit}`}{" "}
        · {people}
      </div>
      {proof && (
        <div>
          <b>
            {heads(proof)
              .map((h) => `${h.shape} ${h.word}`)
              .join(" · ")}
          </b>
          {proof.target.map((t) => (
            <span key={t.what}>
              {" "}
              · {(targetWords[t.what] ?? t.what).toLowerCase()}{" "}
              <TargetNow proof={t} signed />: {verdicts[t.reached].wish}
            </span>
          ))}
        </div>
      )}
      <Heights before={before} after={last} />
      <OtherMeasures before={before} after={last} />
      {proof && (
        <Moved moved={proof.moved.filter((m) => m.measured.value !== null)} />
      )}
      <Corrections />
      <RecordParts plan={plan} proof={proof} />
      <Torques plan={plan?.id} />
      {d.cuts.length > 0 && (
        <List
          title="Cut and drilled"
          items={[
            ...d.cuts.map((c) => `${c.where}: ${cutText(c)}`),
            ...d.steps.flatMap((x) =>
              x.agreedBy
                ? [
                    `Agreed for the owner: ${x.agreedBy}, ${x.at.slice(0, 16).replace("T", " ")}`,
                  ]
                : [],
            ),
          ]}
          none=""
        />
      )}
      <List title="Open lines" items={view.progress.openLines} none="None." />
      <List
        title="Done otherwise than the sheet says"
        items={d.deviations.map(
          (x) => `${x.where}: ${x.sheetSays} ${x.did} Because: ${x.why}`,
        )}
        none="Nothing."
      />
      <List
        title="To come"
        items={d.followUps.map(
          (f) => `${f.what}: ${f.doneAt ? "done" : due(f)}`,
        )}
        none="Not agreed yet."
      />
      <List title="Not measured" items={view.notMeasured} none="" />
      {d.job.ownerNotes && (
        <>
          <h3>For the owner</h3>
          <p style={{ margin: 0 }}>{d.job.ownerNotes}</p>
        </>
      )}
      <p style={{ margin: "8px 0 0" }}>
        First a brake test at walking pace, then a short slow drive. Height
        changes headlights, garage and car-wash clearance and handling. Rules on
        lift, lamps and bumpers differ by place: check them. ± is at k = 2,
        about 95 %.
      </p>
    </Paper>
  );
}

const corners = ["LF", "RF", "LR", "RR"];

function Heights({
  before,
  after,
}: {
  before: Schemas["WalkRoundStance"] | undefined;
  after: Schemas["WalkRoundStance"] | undefined;
}) {
  const view = useJob();
  const d = view.document;
  const stage = (s: Schemas["WalkRoundStance"] | undefined) =>
    d.stages.find((x) => x.id === s?.stageId)?.name ?? "not measured";
  return (
    <>
      <h3>
        Heights, fender lip above {before?.datum ?? after?.datum ?? "datum"}{" "}
        (middle stations above the floor)
      </h3>
      <table>
        <thead>
          <tr>
            <th scope="col">Station</th>
            <th scope="col">Before: {stage(before)}</th>
            <th scope="col">After: {stage(after)}</th>
            <th scope="col">Lift</th>
          </tr>
        </thead>
        <tbody>
          {d.vehicle.stations.map((s) => {
            const [a, b] = [heightAt(before, s.name), heightAt(after, s.name)];
            if (!a && !b && !corners.includes(s.name)) {
              return null;
            }
            const rise = view.results.sinceFirst?.rises.find(
              (r) => r.station === s.name,
            );
            return (
              <tr key={s.name}>
                <th scope="row">{cornerWords[s.name] ?? s.name}</th>
                <td>{a ? <ResultLength result={a.height} /> : "not read"}</td>
                <td>{b ? <ResultLength result={b.height} /> : "not read"}</td>
                <td>
                  {rise ? <ResultLength result={rise.rise} signed /> : "–"}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </>
  );
}

/** What was measured beside heights before and after, with what follows from it. */
function OtherMeasures({
  before,
  after,
}: {
  before: Schemas["WalkRoundStance"] | undefined;
  after: Schemas["WalkRoundStance"] | undefined;
}) {
  const unit = useUnit();
  const all = useCatalogue().map((m) => m.measure);
  const key = (m: Schemas["MeasureValue"]) => `${m.measure} ${m.place}`;
  const [a, b] = [before?.measures ?? [], after?.measures ?? []];
  const rows = [...a, ...b.filter((m) => !a.some((x) => key(x) === key(m)))];
  const value = (m: Schemas["MeasureValue"] | undefined) =>
    m ? valueText(m.value, unit) : "not read";
  return rows.length === 0 ? null : (
    <>
      <h3>Other measures</h3>
      <table>
        <thead>
          <tr>
            <th scope="col">Measure</th>
            <th scope="col">Before</th>
            <th scope="col">After</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((m) => (
            <tr key={key(m)}>
              <th scope="row">
                {measureTitle(m.measure, all)}, {placeWords(m.place)}
              </th>
              <td>{value(a.find((x) => key(x) === key(m)))}</td>
              <td>{value(b.find((x) => key(x) === key(m)))}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

/** Readings that were corrected: the first value and the one that took its place. */
function Corrections() {
  const d = useJob().document;
  const all = useCatalogue().map((m) => m.measure);
  const items = corrections(d).map((c) => {
    const place = cornerWords[c.place] ?? placeWords(c.place);
    const what = c.measure
      ? `${measureTitle(c.measure, all)}, ${placeWords(c.place)}`
      : `${place}, ${c.from ?? ""}`;
    return `${what}: ${c.was}, ${c.now === null ? "taken back" : `corrected to ${c.now}`} by ${c.by}. ${c.reason}`;
  });
  return items.length === 0 ? null : (
    <List title="Readings corrected" items={items} none="" />
  );
}

function Torques({ plan }: { plan: string | undefined }) {
  const view = useJob();
  const d = view.document;
  const rows = view.jointLines.flatMap((line) => {
    const joint = d.joints.find((j) => j.id === line.jointId);
    const entry = passesOver(d, line.jointId, plan).at(-1);
    // What is not final stands among the open lines, with why.
    return joint && entry?.pass === "final"
      ? [{ joint, entry, open: line.open }]
      : [];
  });
  if (rows.length === 0) {
    return null;
  }
  return (
    <>
      <h3>Torques</h3>
      <Box
        component="ul"
        sx={{ columns: 2, listStyle: "none", p: "0 !important" }}
      >
        {rows.map(({ joint, entry, open }) => (
          <li key={joint.id}>
            {open === null ? "●" : "○"} {joint.place}:{" "}
            {`${entry.pass}${entry.value ? ` ${torqueText(entry.value)}` : entry.criterionSeen ? ", seen" : ""}, ${positionWords[entry.position]}`}
            {joint.spec && ` (${joint.spec.source})`}
          </li>
        ))}
      </Box>
    </>
  );
}

function List({
  title,
  items,
  none,
}: {
  title: string;
  items: readonly string[];
  none: string;
}) {
  return (
    <>
      <h3>{title}</h3>
      {items.length === 0 ? (
        <div>{none}</div>
      ) : (
        <ul
          style={{ columns: items.length > 12 ? 3 : items.length > 4 ? 2 : 1 }}
        >
          {items.map((x) => (
            <li key={x}>{x}</li>
          ))}
        </ul>
      )}
    </>
  );
}
