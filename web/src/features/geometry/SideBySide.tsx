import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useQueries } from "@tanstack/react-query";
import { api, must, type Schemas } from "../../api/client";
import { currentStage } from "../../api/document";
import { remembered, useJob } from "../../api/job";
import { useUnit } from "../../shared/Length";
import { nameOf, numberOf, standing, titleOf } from "./geometry";

/** What each of the plans moves, in one table: what a body lift leaves alone, what a lift of the springs turns. */
export function SideBySide({
  plans,
  looked,
}: {
  plans: Schemas["Plan"][];
  looked: string | undefined;
}) {
  const view = useJob();
  const unit = useUnit();
  const job = view.document.job.id;
  const stage = currentStage(view.document).id;
  const asked = useQueries({
    queries: plans.map((plan) => ({
      queryKey: [
        "geometry-numbers",
        job,
        plan.id,
        view.versions[plan.id],
        view.versions[stage],
        view.versions[job],
      ],
      queryFn: () =>
        remembered(`geometry-numbers ${job} ${plan.id}`, async () =>
          must(
            await api.GET("/api/jobs/{job}/geometry", {
              params: {
                path: { job },
                query: { plan: plan.id, travel: false },
              },
            }),
          ),
        ),
      retry: false,
    })),
  });
  const rows = asked.find((a) => a.data)?.data?.mechanisms ?? [];
  if (plans.length < 2 || rows.length === 0) {
    return null;
  }
  return (
    <Box component="section" aria-labelledby="side-by-side" sx={{ mt: 3 }}>
      <Typography id="side-by-side" variant="h2">
        The plans side by side
      </Typography>
      <Box
        sx={{ overflowX: "auto" }}
        tabIndex={0}
        role="region"
        aria-labelledby="side-by-side"
      >
        <Box
          component="table"
          sx={{
            borderCollapse: "collapse",
            mt: 0.5,
            "& th, & td": {
              pr: 3,
              py: 0.5,
              textAlign: "left",
              verticalAlign: "top",
            },
            "& thead th": { borderBottom: 2 },
            "& tbody tr": { borderBottom: 1, borderColor: "divider" },
          }}
        >
          <thead>
            <tr>
              <th scope="col">Moves</th>
              {plans.map((p) => (
                <th
                  key={p.id}
                  scope="col"
                  aria-current={p.id === looked ? "true" : undefined}
                >
                  {p.name}
                  {p.chosen && " ★"}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr key={nameOf(row)}>
                <th scope="row">{titleOf(row)}</th>
                {asked.map((a, i) => (
                  <td key={plans[i]?.id}>
                    <Cell
                      mechanism={a.data?.mechanisms.find(
                        (m) => nameOf(m) === nameOf(row),
                      )}
                      unit={unit}
                    />
                  </td>
                ))}
              </tr>
            ))}
            <tr>
              <th scope="row">Needs beside it</th>
              {plans.map((p) => (
                <td key={p.id} style={{ minWidth: 200, maxWidth: 360 }}>
                  {view.results.predictions
                    .find((x) => x.planId === p.id)
                    ?.companions.filter((c) => !c.placed)
                    .map((c) => c.what)
                    .filter((what, i, all) => all.indexOf(what) === i)
                    .join("; ")}
                </td>
              ))}
            </tr>
          </tbody>
        </Box>
      </Box>
    </Box>
  );
}

function Cell({
  mechanism,
  unit,
}: {
  mechanism: Schemas["Mechanism"] | undefined;
  unit: "in" | "mm";
}) {
  const way = mechanism && standing(mechanism);
  if (!way) {
    return null;
  }
  if (way.kind === "before") {
    return <>stays</>;
  }
  return (
    <Box
      component="span"
      sx={{
        fontWeight: mechanism.beyond ? 700 : 400,
        color: mechanism.beyond ? "warning.main" : undefined,
      }}
    >
      {mechanism.beyond ? "▲ " : ""}
      {numberOf(mechanism, unit)}
      {way.figure.known === "archetype" ? " ?" : ""}
    </Box>
  );
}
