import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, must } from "../../api/client";
import { useJob } from "../../api/job";

/** Who did what, newest first. */
export function History() {
  const job = useJob().document.job.id;
  const [open, setOpen] = useState(false);
  const history = useQuery({
    queryKey: ["history", job],
    queryFn: async () =>
      must(
        await api.GET("/api/jobs/{job}/history", { params: { path: { job } } }),
      ),
    enabled: open,
    staleTime: 0,
  });
  return (
    <Box
      component="details"
      sx={{ mt: 2.5 }}
      onToggle={(e) => {
        setOpen(e.currentTarget.open);
      }}
    >
      <Typography variant="h2" component="summary" sx={{ py: 1.5 }}>
        History
      </Typography>
      <Box component="ol" sx={{ my: 0, maxHeight: 320, overflowY: "auto" }}>
        {history.data?.map((h) => (
          <li key={h.id}>
            {h.at.slice(0, 16).replace("T", " ")} UTC, {h.person}: {h.kind}
          </li>
        ))}
      </Box>
    </Box>
  );
}
