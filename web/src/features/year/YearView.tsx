import Box from "@mui/material/Box";
import Link from "@mui/material/Link";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { Link as To, useSearchParams } from "react-router";
import { api, must, type Schemas } from "../../api/client";
import { Problem } from "../../api/problem";
import { causeWords, comebackCauses, comebackWords } from "../../api/words";
import { ResultLength } from "../../shared/Length";
import { NeedsNetwork } from "../../shared/NeedsNetwork";
import { dayOfYear } from "../../shared/time";
import { MonthsPlot } from "./MonthsPlot";
import { daysSay, hoursSay, rangeSays, rightSays } from "./year";

type View = Schemas["YearView"];

/** The shop's year: right at the first try, what came back and by what, how long it took, what springs settle. */
export default function YearView() {
  const [from] = useSearchParams();
  // An address that somebody mistyped shows this year.
  const typed = from.get("year") ?? "";
  const asked = /^\d{4}$/.test(typed) ? typed : null;
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  const year = useQuery({
    queryKey: ["year", asked, zone],
    queryFn: async () =>
      must(
        await api.GET("/api/year", {
          params: {
            query: { zone, ...(asked === null ? {} : { year: Number(asked) }) },
          },
        }),
      ),
    // The year before stays while the next one comes.
    placeholderData: (before) => before,
  });
  if (year.isError && !year.data) {
    return year.error instanceof Problem ? (
      <Typography component="main" sx={{ p: 3 }}>
        {year.error.message}{" "}
        <Link component={To} to="/year">
          This year
        </Link>
      </Typography>
    ) : (
      <NeedsNetwork why={year.error} />
    );
  }
  if (!year.data) {
    return null;
  }
  const { year: sums, first, last } = year.data;
  const query = new URLSearchParams({ year: sums.year.toString(), zone });
  return (
    <Box
      component="main"
      sx={{ px: { xs: 1.5, sm: 3 }, py: 2, maxWidth: 1180 }}
    >
      <Box
        sx={{
          display: "flex",
          flexWrap: "wrap",
          columnGap: 2,
          alignItems: "baseline",
        }}
      >
        <Typography variant="h1">The shop’s year {sums.year}</Typography>
        <Box
          component="nav"
          aria-label="Other years"
          sx={{ display: "flex", gap: 2, flex: 1 }}
        >
          {sums.year > first && (
            <Link
              component={To}
              to={`/year?year=${(sums.year - 1).toString()}`}
            >
              ← {sums.year - 1}
            </Link>
          )}
          {sums.year < last && (
            <Link
              component={To}
              to={`/year?year=${(sums.year + 1).toString()}`}
            >
              {sums.year + 1} →
            </Link>
          )}
        </Box>
        <Link href={`/api/year.csv?${query.toString()}`} download>
          Job by job, as CSV
        </Link>
      </Box>
      {sums.jobs === 0 ? (
        <Typography sx={{ mt: 1 }}>
          No job was handed over in {sums.year}. Each one adds itself here on
          the day on which it leaves.
        </Typography>
      ) : (
        <Sums view={year.data} />
      )}
      <Springs springs={year.data.springs} />
    </Box>
  );
}

function Sums({ view }: { view: View }) {
  const sums = view.year;
  return (
    <Box
      sx={{
        display: "grid",
        columnGap: 4,
        gridTemplateColumns: {
          xs: "minmax(0,1fr)",
          md: "minmax(0,520px) minmax(0,1fr)",
        },
      }}
    >
      <Part title="Right at the first try">
        <Big share={sums.right} />
        <Typography>{rightSays(sums)}</Typography>
        <MonthsPlot months={sums.months} />
        {sums.causes.length > 0 && (
          <>
            <Typography sx={{ mt: 1, fontWeight: 650 }}>
              Causes of a miss that a check found
            </Typography>
            <Counted
              lines={sums.causes.map((c) => [causeWords[c.of], c.times])}
            />
          </>
        )}
      </Part>
      <Box>
        <Part title="Comebacks">
          <Big share={sums.comebacks} />
          <Comebacks view={view} />
        </Part>
        <Part title="Hours">
          <Typography>{hoursSay(sums.hours)}</Typography>
        </Part>
      </Box>
    </Box>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box component="section" aria-label={title} sx={{ mt: 2 }}>
      <Typography variant="h2">{title}</Typography>
      {children}
    </Box>
  );
}

/** A share as it is read from across the room, with its range. */
function Big({ share }: { share: Schemas["Share"] }) {
  return share.value === null ? null : (
    <Typography>
      <Box component="span" sx={{ fontSize: "2.2rem", fontWeight: 750 }}>
        {share.count} of {share.of}
      </Box>{" "}
      <Box component="span" sx={{ color: "text.secondary" }}>
        {rangeSays(share)}
      </Box>
    </Typography>
  );
}

function Counted({ lines }: { lines: (readonly [string, number])[] }) {
  return (
    <Box component="ul" sx={{ listStyle: "none", p: 0, m: 0 }}>
      {lines.map(([said, times]) => (
        <li key={said}>
          <Box
            component="span"
            sx={{ display: "inline-block", minWidth: 32, fontWeight: 700 }}
          >
            {times} ×
          </Box>
          {said}
        </li>
      ))}
    </Box>
  );
}

function Comebacks({ view }: { view: View }) {
  const sums = view.year;
  const all = sums.comebackFor.reduce((n, c) => n + c.times, 0);
  if (all === 0) {
    return <Typography>Nothing came back.</Typography>;
  }
  return (
    <>
      {all > sums.comebacks.count && (
        <Typography>
          {all - sums.comebacks.count} more came back by load, wear or something
          that is not ours.
        </Typography>
      )}
      <Counted
        lines={[
          ...sums.comebackCauses.map(
            (c) => [comebackCauses[c.of], c.times] as const,
          ),
          ...(sums.unexplained > 0
            ? [["no cause was noted", sums.unexplained] as const]
            : []),
        ]}
      />
      <Box component="ul" sx={{ pl: 2.5, my: 1 }}>
        {view.comebacks.map((c) => (
          <li key={c.jobId}>
            <Link component={To} to={`/jobs/${c.jobId}/hand-over`}>
              {c.vehicle}
            </Link>
            , {dayOfYear(c.day)}
            {c.days !== null && `, ${daysSay(c.days)} after it left`}:{" "}
            {comebackWords[c.comeback.for]}
            {c.comeback.cause !== null &&
              `; ${comebackCauses[c.comeback.cause]}`}
            {c.comeback.found !== null && `: ${c.comeback.found}`}
          </li>
        ))}
      </Box>
    </>
  );
}

function Springs({ springs }: { springs: View["springs"] }) {
  return (
    <Part title="What springs come down by 500 miles (800 km)">
      {springs.length === 0 ? (
        <Typography sx={{ maxWidth: 720 }}>
          No vehicle has shown it yet. Note the odometer when it leaves, and
          read the heights again on the way: the next plan with such springs
          says by how much it will come down.
        </Typography>
      ) : (
        <>
          <Typography color="text.secondary" sx={{ maxWidth: 720 }}>
            By all years; plans with such springs count on it for what they say
            of later. Before any vehicle has shown it, a rule of thumb.
          </Typography>
          <Box sx={{ overflowX: "auto" }} tabIndex={0} role="group">
            <Box
              component="table"
              sx={{
                borderCollapse: "collapse",
                mt: 1,
                "th,td": { textAlign: "left", pr: 2.5, py: 0.5 },
                th: { borderBottom: 1, borderColor: "divider" },
              }}
            >
              <thead>
                <tr>
                  <th>Springs</th>
                  <th>Axle</th>
                  <th>Vehicles</th>
                  <th>By 500 miles</th>
                  <th>Rule of thumb</th>
                </tr>
              </thead>
              <tbody>
                {springs.map((s) => (
                  <tr key={`${s.name} ${s.axle} ${s.platform ?? ""}`}>
                    <td>
                      {s.platform !== null && `${s.platform}: `}
                      {s.name}
                    </td>
                    <td>{s.axle}</td>
                    <td>{s.vehicles}</td>
                    <td>
                      <b>
                        <ResultLength result={s.rise} signed />
                      </b>
                    </td>
                    <td>
                      <ResultLength result={s.usual} signed />
                    </td>
                  </tr>
                ))}
              </tbody>
            </Box>
          </Box>
        </>
      )}
    </Part>
  );
}
