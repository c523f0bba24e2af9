import Box from "@mui/material/Box";
import Link from "@mui/material/Link";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { Link as To, useSearchParams } from "react-router";
import { api, must } from "../../api/client";
import { begunPlan, currentStage } from "../../api/document";
import { remembered, useJob } from "../../api/job";
import { ResultLength } from "../../shared/Length";
import { ProblemNote } from "../../shared/ProblemNote";
import { usePlans } from "../plans/usePlans";
import { nameOf } from "./geometry";
import { MechanismLine } from "./MechanismLine";
import { MechanismPanel } from "./MechanismPanel";
import { SideBySide } from "./SideBySide";

/** What the plan moves besides the height, axle by axle, and what takes it back. */
export default function GeometryView() {
  const view = useJob();
  const d = view.document;
  const job = d.job.id;
  const at = usePlans();
  const plan = at.draft ?? begunPlan(d);
  const stage = currentStage(d);
  const [query, setQuery] = useSearchParams();
  const asked = useQuery({
    queryKey: [
      "geometry",
      job,
      plan?.id,
      plan && view.versions[plan.id],
      view.versions[stage.id],
      view.versions[job],
    ],
    queryFn: () =>
      remembered(`geometry ${job} ${plan?.id ?? ""}`, async () =>
        must(
          await api.GET("/api/jobs/{job}/geometry", {
            params: { path: { job }, query: plan ? { plan: plan.id } : {} },
          }),
        ),
      ),
    placeholderData: keepPreviousData,
    retry: false,
  });
  const geometry = asked.data;
  const mechanisms = geometry?.mechanisms ?? [];
  const looked =
    mechanisms.find((m) => nameOf(m) === query.get("at")) ??
    mechanisms.find((m) => m.beyond) ??
    mechanisms[0];
  return (
    <Box>
      <Box
        sx={{
          display: "flex",
          flexWrap: "wrap",
          columnGap: 2,
          rowGap: 1,
          alignItems: "center",
          mb: 1,
        }}
      >
        <Typography variant="h1">Geometry</Typography>
        {at.plans.length > 1 && (
          <TextField
            select
            label="Plan"
            value={at.draft?.id ?? ""}
            onChange={(e) => {
              at.look(e.target.value);
            }}
            fullWidth={false}
            sx={{ minWidth: 180 }}
          >
            {at.plans.map((p) => (
              <MenuItem key={p.id} value={p.id}>
                {p.name}
              </MenuItem>
            ))}
          </TextField>
        )}
        <Typography color="text.secondary">
          {geometry && geometry.frontRise.value !== null ? (
            <>
              {plan ? `${plan.name}: the` : "As it is fitted now, the"} frame
              stands over its axles{" "}
              <ResultLength result={geometry.frontRise} signed /> in front,{" "}
              <ResultLength result={geometry.rearRise} signed /> behind, against{" "}
              {plan?.conversions
                ? "nothing added, and where another suspension comes against its set-up"
                : "nothing added"}
              .
            </>
          ) : (
            geometry?.frontRise.cannot
          )}
          {!plan && (
            <>
              {" "}
              <Link component={To} to="../plan">
                Plan first
              </Link>
              : then it shows what the plan moves.
            </>
          )}
        </Typography>
      </Box>
      {!geometry && <ProblemNote problem={asked.error} />}
      <Box
        sx={{
          display: "grid",
          gap: 2,
          gridTemplateColumns: {
            xs: "minmax(0,1fr)",
            md: "265px minmax(0,1fr)",
          },
          alignItems: "start",
        }}
      >
        <Box
          component="nav"
          aria-label="What moves"
          sx={{
            display: "grid",
            gap: 0.75,
            gridTemplateColumns: { xs: "1fr 1fr", md: "1fr" },
          }}
        >
          {mechanisms.map((m) => (
            <MechanismLine
              key={nameOf(m)}
              mechanism={m}
              looked={m === looked}
              onLook={() => {
                setQuery({ at: nameOf(m) }, { replace: true });
              }}
            />
          ))}
        </Box>
        {looked && (
          <MechanismPanel
            key={nameOf(looked)}
            mechanism={looked}
            at={at}
            current={plan !== undefined && plan.fromStageId === stage.id}
          />
        )}
      </Box>
      <SideBySide plans={at.plans} looked={at.draft?.id} />
    </Box>
  );
}
