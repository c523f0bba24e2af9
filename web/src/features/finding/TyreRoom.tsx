import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { api, must, type Schemas } from "../../api/client";
import { useJob } from "../../api/job";
import { ResultLength, useUnit } from "../../shared/Length";
import { showText } from "../../shared/length";

/** What a tyre of another size needs: parked, flexed and at lock. */
export function TyreRoom({ size }: { size: string }) {
  const job = useJob().document.job.id;
  const unit = useUnit();
  const room = useQuery({
    queryKey: ["tyre-room", job, size],
    queryFn: async () =>
      must(
        await api.GET("/api/jobs/{job}/tyre-room", {
          params: { path: { job }, query: { tyre: size } },
        }),
      ),
    enabled: size.trim().length > 5,
    retry: false,
  });
  if (!room.data) {
    return null;
  }
  return (
    <Box aria-label="Room for the tyre" component="section" sx={{ mt: 1 }}>
      {room.data.map((r) => (
        <Box key={r.axle} sx={{ mb: 1 }}>
          <Typography sx={{ fontWeight: 700 }}>
            {r.axle === "front" ? "Front" : "Rear"}: the tyre comes{" "}
            {showText(r.growth, unit)} nearer to everything.
          </Typography>
          <Line words="Parked, it must rise at least" result={r.parked} />
          <Line words="Flexed, the stop must be longer by" result={r.flexed} />
          <Line words="At lock:" result={r.atLock} />
        </Box>
      ))}
    </Box>
  );
}

function Line({ words, result }: { words: string; result: Schemas["Result"] }) {
  return (
    <Typography>
      {words} <ResultLength result={result} />
    </Typography>
  );
}
