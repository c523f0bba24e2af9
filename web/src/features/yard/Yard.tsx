import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Link from "@mui/material/Link";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useInfiniteQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link as To } from "react-router";
import { api, must, type Schemas } from "../../api/client";
import { useMe } from "../../api/job";
import { lastJob } from "../../shared/lastJob";
import { JobBin } from "../jobs/JobBin";
import { FirstSteps } from "./FirstSteps";
import { ImportJob } from "../job-file/ImportJob";
import { extent, SideDrawing } from "../stance/SideDrawing";
import { lineAbove, shapeOf } from "../stance/vehicle";
import { due, inDays, overdue } from "../hand-over/due";
import { grouped, whenOf, whenWords, type When } from "./when";
import { clock, weekdayText } from "../../shared/time";
import { useInks } from "../../shared/theme";
import { waitsSay } from "./waits";

const paths: Record<Schemas["Phase"], string> = {
  takeIn: "take-in",
  walkRound: "walk-round",
  plan: "plan",
  geometry: "geometry",
  fit: "fit",
  prove: "prove",
  handOver: "hand-over",
};

/** Home: vehicles on one ground line, the next need above each. */
export default function Yard() {
  const [find, setFind] = useState("");
  const yard = useInfiniteQuery({
    queryKey: ["yard", find],
    queryFn: async ({ pageParam }) =>
      must(
        await api.GET("/api/yard", {
          params: {
            query: {
              find: find || undefined,
              after: pageParam ?? undefined,
            },
          },
        }),
      ),
    initialPageParam: null as string | null,
    getNextPageParam: (last) => last.after,
    placeholderData: (old) => old,
  });
  const person = useMe().data?.personId;
  const last = person === undefined ? null : lastJob(person);
  const jobs = yard.data?.pages.flatMap((p) => p.jobs) ?? [];
  const followUps = jobs
    .flatMap((j) => j.facts.followUps.map((f) => ({ ...f, job: j })))
    .sort((a, b) => (a.dueOn ?? "9").localeCompare(b.dueOn ?? "9"));

  return (
    <Box component="main" sx={{ px: { xs: 1, sm: 3 }, py: 2 }}>
      <Box
        sx={{
          display: "flex",
          flexWrap: "wrap",
          gap: 1.5,
          alignItems: "center",
          mb: 1,
        }}
      >
        <Typography variant="h1" sx={{ flex: 1, minWidth: 90 }}>
          Yard
        </Typography>
        <TextField
          label="Find owner, phone, plate or vehicle"
          type="search"
          value={find}
          onChange={(e) => {
            setFind(e.target.value);
          }}
          sx={{ width: { xs: "100%", sm: 360 } }}
        />
        {last && (
          <Button component={To} to={last.path} variant="outlined">
            Go on with {last.title}
          </Button>
        )}
        <ImportJob />
        <Button component={To} to="/take-in" variant="contained">
          Take in a vehicle
        </Button>
      </Box>

      {yard.isSuccess &&
        jobs.length === 0 &&
        (find ? (
          <Typography sx={{ my: 4 }}>
            Nothing in the yard matches “{find}”.
          </Typography>
        ) : (
          <FirstSteps />
        ))}
      <Box
        component="ul"
        sx={{
          p: 0,
          m: 0,
          listStyle: "none",
          display: "grid",
          gridTemplateColumns: "repeat(auto-fill, minmax(260px, 1fr))",
          rowGap: 0,
        }}
      >
        {grouped(jobs, (j) => whenOf(j, inDays(0), inDays(7))).flatMap(
          ([when, these]) =>
            these.map((j, i) => (
              <Standing key={j.jobId} job={j} begins={i === 0 ? when : null} />
            )),
        )}
      </Box>
      {yard.hasNextPage && (
        <Button onClick={() => void yard.fetchNextPage()}>More vehicles</Button>
      )}

      {followUps.length > 0 && (
        <Box component="section" sx={{ mt: 4 }}>
          <Typography variant="h2">To come after hand-over</Typography>
          <Box component="ul" sx={{ pl: 2.5, my: 1 }}>
            {followUps.map((f) => (
              <Box component="li" key={f.id} sx={{ my: 0.5 }}>
                <Box
                  component="b"
                  sx={{ color: overdue(f) ? "warning.main" : undefined }}
                >
                  {overdue(f) && "▲ Overdue: "}
                  {due(f)}
                </Box>{" "}
                {f.what}:{" "}
                <Link component={To} to={`/jobs/${f.job.jobId}/hand-over`}>
                  {f.job.facts.vehicle.make} {f.job.facts.vehicle.name}{" "}
                  {f.job.facts.vehicle.plate}, {f.job.facts.owner}
                </Link>
              </Box>
            ))}
          </Box>
        </Box>
      )}
      <JobBin />
    </Box>
  );
}

/** A vehicle on the ground line. The first one that is due by a time says so: whoever stands beside it is due then, too. */
function Standing({
  job: j,
  begins,
}: {
  job: Schemas["YardJob"];
  begins: When | null;
}) {
  const inks = useInks();
  const {
    vehicle,
    owner,
    before: was,
    now,
    promisedOn,
    handedOver,
    booked,
  } = j.facts;
  const late = j.facts.followUps.filter((f) => overdue(f)).length;
  const shape = shapeOf(vehicle);
  const before = lineAbove(was, shape);
  const body = lineAbove(now, shape) ??
    before ?? { front: shape.loaded + 520, rear: shape.loaded + 560 };
  const box = extent(shape);
  const scale = 232 / (box.right - box.left);
  const x0 = 130 - ((box.left + box.right) / 2) * scale;
  const ground = 100;
  return (
    <Box
      component="li"
      sx={{
        display: "grid",
        gridRow: "span 4",
        gridTemplateRows: "subgrid",
        rowGap: 0,
        minWidth: 0,
      }}
    >
      {begins && (
        <Typography
          variant="h2"
          sx={{
            gridRow: 1,
            mt: 2,
            // A mark where the ones of this time begin, as wide as the name over it.
            borderLeft: 3,
            pl: "9px",
            borderColor: "currentcolor",
            color: begins === "late" ? "warning.main" : "text.secondary",
            fontSize: "1rem",
          }}
        >
          {begins === "late" && "▲ "}
          {whenWords[begins]}
        </Typography>
      )}
      <Link
        component={To}
        to={`/jobs/${j.jobId}/${paths[j.next]}`}
        color="text.primary"
        underline="none"
        sx={{
          display: "grid",
          gridRow: "2 / span 3",
          gridTemplateRows: "subgrid",
          "&:hover .need": { textDecoration: "underline" },
        }}
      >
        <Typography
          className="need"
          sx={{ px: 1.5, mt: 1, fontWeight: 600, lineHeight: 1.3 }}
        >
          {j.does}
          {j.why && (
            <Box
              component="span"
              sx={{ display: "block", fontWeight: 400, fontSize: "0.9rem" }}
            >
              {j.why}
            </Box>
          )}
          {late > 0 && (
            <Box
              component="span"
              sx={{ display: "block", color: "warning.main" }}
            >
              ▲ {late} overdue
            </Box>
          )}
          {j.waits && (
            <Box
              component="span"
              sx={{ display: "block", color: "warning.main" }}
            >
              ▲ {waitsSay(j.waits, promisedOn)}
            </Box>
          )}
        </Typography>
        <svg
          viewBox="0 0 260 104"
          width="100%"
          aria-hidden
          style={{ display: "block" }}
          preserveAspectRatio="xMidYMax meet"
        >
          <SideDrawing
            shape={shape}
            body={body}
            scale={scale}
            x0={x0}
            ground={ground}
          />
          {before && (
            <path
              d={`M ${(x0 - 40).toFixed(1)} ${(ground - before.front * scale).toFixed(1)} L ${(x0 + shape.wheelbase * scale + 40).toFixed(1)} ${(ground - before.rear * scale).toFixed(1)}`}
              stroke={inks.before}
              strokeWidth={1.6}
              strokeDasharray="2 3"
            />
          )}
        </svg>
        <Box
          sx={{ borderTop: 3, borderColor: "text.primary", px: 1.5, pt: 0.5 }}
        >
          <b>
            {vehicle.make} {vehicle.name}
          </b>{" "}
          {vehicle.plate ?? vehicle.vin}
          <Typography color="text.secondary" sx={{ fontSize: "0.9rem" }}>
            {owner}
            {handedOver
              ? " · handed over"
              : promisedOn && ` · promised ${weekdayText(promisedOn)}`}
            {booked &&
              ` · ${[booked.bay, weekdayText(booked.day)].filter(Boolean).join(", ")}, ${clock(booked.from)}`}
          </Typography>
        </Box>
      </Link>
    </Box>
  );
}
