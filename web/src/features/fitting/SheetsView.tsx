import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Link from "@mui/material/Link";
import { useQuery } from "@tanstack/react-query";
import { lazy, Suspense } from "react";
import { Link as To, useSearchParams } from "react-router";
import { api, must, type Schemas } from "../../api/client";
import { begunPlan } from "../../api/document";
import { useJob } from "../../api/job";
import { jointWords } from "../../api/words";
import { PrintButton } from "../../shared/PrintButton";
import { Paper } from "../../shared/Paper";
import { useAddress } from "../../shared/useAddress";
import { BlankRound } from "../walk-rounds/BlankRound";
import { cutText } from "./Cuts";
import { Templates } from "./Templates";
import { passesOver, torqueText } from "./torque";

const Qr = lazy(() => import("../../shared/Qr"));

/** Each with the page of the job on which it goes on. */
const sheets = [
  { key: "card", name: "The card", page: "fit" },
  { key: "board", name: "What holds it up", page: "fit" },
  { key: "torques", name: "Torque list", page: "fit" },
  { key: "templates", name: "Templates", page: "fit" },
  { key: "back", name: "The way back", page: "fit" },
  { key: "round", name: "Walk-round", page: "walk-round" },
] as const;

/** Paper for the bay, A4 and Letter alike: the card, what holds the vehicle, the torque list, what it takes to undo it, and a blank walk-round. Each shows its place in the job to a camera. */
export default function SheetsView() {
  const d = useJob().document;
  const [search, setSearch] = useSearchParams();
  const plan = begunPlan(d);
  const cuts = d.cuts.filter((c) => c.planId === plan?.id);
  const offered = sheets.filter((s) =>
    s.key === "templates"
      ? cuts.length > 0
      : s.key === "round" || plan !== undefined,
  );
  const sheet =
    offered.find((s) => s.key === search.get("sheet")) ?? offered[0];
  const root = useAddress()?.address ?? window.location.origin;
  if (!sheet) {
    return null;
  }
  const title =
    plan && sheet.key !== "round" ? `${sheet.name}: ${plan.name}` : sheet.name;
  return (
    <Box>
      <Box
        className="no-print"
        sx={{ display: "flex", flexWrap: "wrap", gap: 1, mb: 2 }}
      >
        {offered.map((s) => (
          <Button
            key={s.key}
            variant={s.key === sheet.key ? "contained" : "outlined"}
            aria-pressed={s.key === sheet.key}
            onClick={() => {
              setSearch({ sheet: s.key }, { replace: true });
            }}
          >
            {s.name}
          </Button>
        ))}
        <PrintButton />
        <Link
          component={To}
          to={`/jobs/${d.job.id}/${sheet.page}`}
          sx={{ alignSelf: "center" }}
        >
          {sheet.page === "fit" ? "Back to the card" : "Back to the walk-round"}
        </Link>
      </Box>
      <Paper title={title} sx={look}>
        <Box sx={{ float: "right", "& svg": { width: 84, height: 84 } }}>
          <Suspense fallback={null}>
            <Qr
              of={`${root}/jobs/${d.job.id}/${sheet.page}`}
              says="this place in the job"
            />
          </Suspense>
        </Box>
        <h2>{title}</h2>
        <div>
          {d.vehicle.make} {d.vehicle.name}, {d.vehicle.plate ?? d.vehicle.vin}{" "}
          · {d.owner.name}
        </div>
        {sheet.key === "round" || !plan ? (
          <BlankRound />
        ) : sheet.key === "card" ? (
          <Card plan={plan.id} />
        ) : sheet.key === "board" ? (
          <Held />
        ) : sheet.key === "torques" ? (
          <Torques plan={plan.id} />
        ) : sheet.key === "templates" ? (
          <Templates
            cuts={cuts.filter((c) => Number.isFinite(c.distance.value))}
          />
        ) : (
          <Back />
        )}
      </Paper>
    </Box>
  );
}

const look = {
  maxWidth: 900,
  "& h3": { fontSize: "1rem", mt: 2, mb: 0.5 },
  "& th, & td": {
    verticalAlign: "top",
    py: "3px",
    borderBottom: "1px solid #c8c8c2",
  },
  "& tr, & li": { breakInside: "avoid" },
  "@media print": { fontSize: "9pt" },
};

function Card({ plan }: { plan: string }) {
  const view = useJob();
  const done = new Map(
    view.document.steps
      .filter((s) => s.planId === plan)
      .map((s) => [s.step, s]),
  );
  return (
    <Steps
      steps={view.card.steps}
      ticked={(s) => done.has(s.key)}
      after={(s) => {
        const by = done.get(s.key)?.agreedBy;
        return by ? `Agreed for the owner: ${by}.` : null;
      }}
    />
  );
}

function Steps({
  steps,
  ticked,
  after,
}: {
  steps: Schemas["CardStep"][];
  ticked?: (step: Schemas["CardStep"]) => boolean;
  after?: (step: Schemas["CardStep"]) => string | null;
}) {
  return (
    <table>
      <tbody>
        {steps.map((s, i) => (
          <tr key={s.key}>
            <td style={{ width: "2.2em" }}>{i + 1}</td>
            <td style={{ width: "1.6em" }}>{ticked?.(s) ? "☑" : "☐"}</td>
            <td style={{ width: "4.5em" }}>{s.where}</td>
            <td>
              <b>
                {s.hold ? "■ Stop: " : ""}
                {s.title}
              </b>
              {s.caution && <div>! {s.caution}</div>}
              <div>{s.do}</div>
              {s.lines.length > 0 && <div>{s.lines.join("; ")}.</div>}
              {s.joints.length > 0 && (
                <div>
                  {s.pass}: {s.joints.join(" · ")}
                </div>
              )}
              {s.supports && s.supports.length > 0 && (
                <div>Under it: {s.supports.join(", ")}</div>
              )}
              {after?.(s) && <div>{after(s)}</div>}
            </td>
            <td style={{ width: "4.5em" }}>{s.minutes} min</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Every step at which what holds the vehicle changes, or the hand stops for it. */
function Held() {
  const { card } = useJob();
  const steps = card.steps.filter(
    (s) => (s.supports && s.supports.length > 0) || s.hold,
  );
  return steps.length === 0 ? (
    <p>It stays on its wheels.</p>
  ) : (
    <table>
      <thead>
        <tr>
          <th />
          <th>Before this</th>
          <th>Under it, around it</th>
          <th>Seen by</th>
        </tr>
      </thead>
      <tbody>
        {steps.map((s) => (
          <tr key={s.key} style={{ height: "2.2em" }}>
            <td style={{ width: "2em" }}>☐</td>
            <td>
              <b>
                {s.hold ? "■ Stop: " : ""}
                {s.where}: {s.title}
              </b>
              {s.caution && <div>! {s.caution}</div>}
            </td>
            <td>{s.supports?.join(", ") ?? ""}</td>
            <td style={{ width: "7em" }}>__________</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Torques({ plan }: { plan: string }) {
  const view = useJob();
  const d = view.document;
  const cuts = d.cuts.filter((c) => c.planId === plan);
  return (
    <>
      <table>
        <thead>
          <tr>
            <th>Joint</th>
            <th>Fasteners</th>
            <th>Spec and its source</th>
            <th>Reached</th>
            <th>Final</th>
          </tr>
        </thead>
        <tbody>
          {view.card.joints.map((c) => {
            const joint = d.joints.find((j) => j.place === c.place);
            const last = joint && passesOver(d, joint.id, plan).at(-1);
            const spec = joint?.spec;
            return (
              <tr key={c.place}>
                <td>{c.place}</td>
                <td>
                  {c.fasteners
                    .map(
                      (f) =>
                        `${f.count.toString()} × ${f.position}${f.thread ? ` ${f.thread}` : ""}${f.wrench ? `, wrench ${f.wrench}` : ""}${f.newPartOnly ? ", new" : ""}${f.threadlocker ? `, ${f.threadlocker}` : ""}`,
                    )
                    .join("; ")}
                </td>
                <td>
                  {spec
                    ? `${spec.torque ? torqueText(spec.torque) : (spec.criterion ?? "")}${spec.angle ? `, then ${spec.angle.value.toString()}°` : ""}, ${spec.source}`
                    : jointWords[c.kind].lookedAt
                      ? "looked at"
                      : "________________"}
                </td>
                <td>
                  {last?.pass === "final"
                    ? last.value
                      ? torqueText(last.value)
                      : "seen"
                    : "________"}
                </td>
                <td>{jointWords[c.kind].said}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {cuts.length > 0 && (
        <>
          <h3>Cut and drilled</h3>
          <ul>
            {cuts.map((c) => (
              <li key={c.id}>
                {c.where}: {cutText(c)}
              </li>
            ))}
          </ul>
        </>
      )}
    </>
  );
}

function Back() {
  const d = useJob().document;
  const { data, error } = useQuery({
    queryKey: ["undo", d.job.id, d.steps.length, d.offLines.length],
    queryFn: async () =>
      must(
        await api.GET("/api/jobs/{job}/fitting/undo", {
          params: { path: { job: d.job.id } },
        }),
      ),
  });
  if (error) {
    return <p>{error.message}</p>;
  }
  if (!data) {
    return <p>…</p>;
  }
  return (
    <>
      <h3>Cannot be undone</h3>
      <Listed
        items={data.stays.map((s) => `${s.where}: ${s.what}. ${s.why}`)}
        none="Nothing was cut or drilled: it can go back as it was."
      />
      <h3>Not kept: to be had anew</h3>
      <Listed
        items={data.gone}
        none="Everything that came off is still here."
      />
      <h3>New once more</h3>
      <Listed items={data.newAgain} none="No fastener that is used once." />
      <h3>Step by step</h3>
      <Steps steps={data.card.steps} />
    </>
  );
}

function Listed({ items, none }: { items: string[]; none: string }) {
  return items.length === 0 ? (
    <p style={{ margin: 0 }}>{none}</p>
  ) : (
    <ul style={{ margin: 0 }}>
      {items.map((i) => (
        <li key={i}>{i}</li>
      ))}
    </ul>
  );
}
