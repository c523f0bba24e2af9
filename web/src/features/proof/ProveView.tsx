import Box from "@mui/material/Box";
import Link from "@mui/material/Link";
import Typography from "@mui/material/Typography";
import { Link as To } from "react-router";
import type { Schemas } from "../../api/client";
import { useJob } from "../../api/job";
import { Length, PlusMinus, ResultLength } from "../../shared/Length";
import { cornerWords } from "../../shared/quantity";
import { LookQuestion } from "../walk-rounds/reading/LookQuestion";
import { Doubts } from "../instruments/Doubts";
import { Causes } from "./Causes";
import { KitClaims } from "./KitClaims";
import { Next } from "./Next";
import { nextCheck } from "./pattern";
import { StanceMoved } from "./StanceMoved";
import { Moved } from "./Moved";
import { RigidCheck } from "./RigidCheck";
import { ToldGains } from "./ToldGains";
import { heads, isDifference, nearSays, verdicts } from "./verdict";
import { targetWords } from "../../api/words";
import { TargetNow } from "./TargetNow";
import { useCheckNotes } from "./useCheckNotes";

/** Before, planned and now by station; what was reached; what does not fit. */
export default function ProveView() {
  const view = useJob();
  const d = view.document;
  const proofs = d.plans
    .filter((p) => p.begunAt !== null)
    .sort((a, b) => (b.begunAt ?? "").localeCompare(a.begunAt ?? ""))
    .map((plan) => ({
      plan,
      proof: view.results.proofs.find((p) => p.planId === plan.id),
    }));
  if (proofs.length === 0) {
    return (
      <Typography>
        There is nothing to prove yet: measure, plan and fit first. The
        prediction is frozen when the fitting begins, and the proof compares
        with that one only.
      </Typography>
    );
  }
  return proofs.map(({ plan, proof }, i) => (
    <Box component="section" key={plan.id} sx={{ mb: 4 }}>
      <Typography variant="h1">
        {d.stages
          .find((s) => s.id === plan.toStageId)
          ?.name.replace(/^./, (c) => c.toUpperCase())}
        {i > 0 && " (earlier pass)"}
      </Typography>
      {proof ? (
        <Proof proof={proof} latest={i === 0} />
      ) : (
        <Typography>
          Not measured since.{" "}
          <Link component={To} to={`/jobs/${d.job.id}/walk-round`}>
            Settle it and walk round
          </Link>
          .
        </Typography>
      )}
    </Box>
  ));
}

function Proof({
  proof,
  latest,
}: {
  proof: Schemas["PlanProof"];
  latest: boolean;
}) {
  const view = useJob();
  const d = view.document;
  const notes = useCheckNotes(proof.walkRoundId);
  const round = d.walkRounds.find((r) => r.id === proof.walkRoundId);
  const stance = view.results.walkRounds.find(
    (w) => w.walkRoundId === proof.walkRoundId,
  );
  const rigid = proof.comparison?.rigid;
  // What does not fit is the first thing to be seen.
  const suspicious = rigid != null && rigid.verdict !== "fits";
  return (
    <>
      <Box
        sx={{
          display: "grid",
          columnGap: 4,
          alignItems: "start",
          // What moved it stands beside how it stands.
          gridTemplateColumns: {
            xs: "minmax(0, 1fr)",
            lg:
              proof.causes || suspicious
                ? "minmax(0, 1.2fr) minmax(0, 1fr)"
                : "minmax(0, 1fr)",
          },
        }}
      >
        <Box>
          {heads(proof).map((h, i) => (
            <Typography
              key={h.word}
              sx={
                i === 0
                  ? { fontSize: "1.5rem", fontWeight: 800, color: h.color }
                  : { fontSize: "1.1rem", fontWeight: 700, color: h.color }
              }
            >
              {h.shape} {h.word}
            </Typography>
          ))}
          <Typography>{proof.says}</Typography>
          {[...proof.whyNot, ...proof.marks].map((w) => (
            <Typography key={w} sx={{ color: "warning.main" }}>
              ▲ {w}
            </Typography>
          ))}
          {latest && <Doubts />}
          {latest && <Next proof={proof} notes={notes} />}
          <StanceMoved stations={proof.stations} />
        </Box>
        <Box>
          {proof.causes && (
            <Causes
              causes={proof.causes}
              notes={notes}
              latest={latest}
              above={latest ? nextCheck(proof) : undefined}
            />
          )}
          {proof.comparison && suspicious && (
            <RigidCheck comparison={proof.comparison} />
          )}
        </Box>
      </Box>
      {proof.target.map((t) => (
        <Typography key={t.what} sx={{ fontSize: "1.1rem" }}>
          {targetWords[t.what] ?? t.what} wanted{" "}
          {t.now.unit !== "mm" ? (
            `${t.wanted.toString()} of 100`
          ) : isDifference(t.what) && t.wanted === 0 ? (
            "level"
          ) : (
            <Length mm={t.wanted} />
          )}
          , now <TargetNow proof={t} signed={isDifference(t.what)} />:{" "}
          <Verdict verdict={t.reached} />
        </Typography>
      ))}
      <Box
        sx={{ overflowX: "auto", mt: 1.5 }}
        tabIndex={0}
        role="region"
        aria-label="Stations"
      >
        <Box
          component="table"
          sx={{
            borderCollapse: "collapse",
            "& th, & td": {
              px: 1.25,
              py: 0.6,
              textAlign: "left",
              whiteSpace: "nowrap",
            },
            "& thead th": {
              borderBottom: 2,
              fontSize: "0.85rem",
              color: "text.secondary",
            },
            "& tbody tr": { borderBottom: 1, borderColor: "divider" },
            "& td": { fontSize: "1.1rem" },
          }}
        >
          <thead>
            <tr>
              <th scope="col">Station</th>
              <th scope="col">·· Before</th>
              <th scope="col">– – Planned</th>
              <th scope="col">— Now</th>
              <th scope="col">Difference</th>
              <th scope="col">±, both</th>
              <th scope="col">To the plan</th>
            </tr>
          </thead>
          <tbody>
            {proof.stations.map((s) => (
              <tr key={s.station}>
                <th scope="row">{cornerWords[s.station] ?? s.station}</th>
                <td>
                  <ResultLength result={{ ...s.before, u: null }} />
                </td>
                <td>
                  <ResultLength result={s.planned} />
                </td>
                <td>
                  <b>
                    <ResultLength result={s.now} />
                  </b>
                </td>
                <td>
                  {s.difference.value !== null && (
                    <Length mm={s.difference.value} signed />
                  )}
                </td>
                <td>
                  {s.difference.u !== null && <PlusMinus u={s.difference.u} />}
                </td>
                <td>{nearSays(s)}</td>
              </tr>
            ))}
          </tbody>
        </Box>
      </Box>
      <Moved moved={proof.moved} />
      {proof.kits && <KitClaims kits={proof.kits} />}
      {proof.lifts.map((l) => (
        <Typography key={l.axle} sx={{ mt: 1 }}>
          <b>{l.axle === "front" ? "Front" : "Rear"}</b> lifted{" "}
          <ResultLength result={l.measured} signed />
          {l.ratio.value !== null && (
            <>
              , {l.ratio.value.toFixed(2)} times the thickness of{" "}
              <Length mm={l.thickness.value ?? 0} />
            </>
          )}
          {l.claim.value !== null && (
            <>
              {" "}
              (the box said <Length mm={l.claim.value} />)
            </>
          )}
          : {l.parts.join(", ")}.
        </Typography>
      ))}
      {proof.comparison?.controls.map((c) => (
        <Typography key={c.axle} sx={{ mt: 1 }}>
          {c.moved ? "▲" : "●"} Nobody touched the <b>{c.axle}</b> axle, and it{" "}
          {c.moved ? "moved" : "stayed within what the tape can show"} (
          <ResultLength result={c.rise} signed />)
          {c.moved ? ": a reading, the load or a bush is the reason." : "."}
        </Typography>
      ))}
      {latest && round && <LookQuestion round={round} stance={stance} />}
      {proof.comparison && !suspicious && (
        <RigidCheck comparison={proof.comparison} />
      )}
      {latest && <ToldGains />}
    </>
  );
}

function Verdict({ verdict }: { verdict: Schemas["Verdict"] }) {
  const v = verdicts[verdict];
  return (
    <Box component="span" sx={{ color: v.color, fontWeight: 700 }}>
      {v.shape} {v.wish}
    </Box>
  );
}
