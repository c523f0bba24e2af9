import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Link from "@mui/material/Link";
import { useQuery } from "@tanstack/react-query";
import { useDeferredValue } from "react";
import { Link as To } from "react-router";
import { api, must, type Schemas } from "../../api/client";
import { dayOfYear } from "../../shared/time";

const jobs = (n: number) => (n === 1 ? "one job" : `${n.toString()} jobs`);

/** Says when a plate or VIN was here before: the new job goes on in that vehicle's own chain, or its open job is opened. */
export function KnownHere({
  mark,
  chosen,
  onChoose,
}: {
  mark: string;
  chosen: Schemas["VehicleHere"] | null;
  onChoose: (known: Schemas["VehicleHere"] | null) => void;
}) {
  const asked = useDeferredValue(mark.trim());
  const found = useQuery({
    queryKey: ["vehicles", asked],
    queryFn: async () =>
      must(
        await api.GET("/api/vehicles", { params: { query: { mark: asked } } }),
      ),
    enabled: asked.length >= 3,
    retry: false,
  });
  const known = chosen ?? found.data?.[0];
  if (!known) {
    return null;
  }
  return (
    <Box
      role="status"
      sx={{
        display: "flex",
        flexWrap: "wrap",
        gap: 1,
        alignItems: "center",
        borderLeft: 4,
        borderColor: "primary.main",
        pl: 1.5,
        my: 1.5,
      }}
    >
      <Box sx={{ flex: "1 1 260px" }}>
        {chosen
          ? "It goes on in its own record: "
          : "This one was here before: "}
        <b>
          {known.make} {known.name}
        </b>
        , {known.owner}, {/* A draft may be older than what is counted. */}
        {known.jobs ? `${jobs(known.jobs)}, ` : ""}last here{" "}
        {dayOfYear(known.lastIn)}.{" "}
        <Link component={To} to={`/vehicles/${known.id}`}>
          Over the years
        </Link>{" "}
        {chosen &&
          "Stages, joints and their torques come along. Note below only what was fitted since."}
      </Box>
      {known.openJob !== null ? (
        <Button
          component={To}
          to={`/jobs/${known.openJob}/take-in`}
          variant="outlined"
        >
          Open its job
        </Button>
      ) : chosen ? (
        <Button
          variant="outlined"
          onClick={() => {
            onChoose(null);
          }}
        >
          It is another vehicle
        </Button>
      ) : (
        <Button
          variant="outlined"
          onClick={() => {
            onChoose(known);
          }}
        >
          Go on with its record
        </Button>
      )}
    </Box>
  );
}
