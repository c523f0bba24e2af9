import Typography from "@mui/material/Typography";
import { Problem } from "../api/problem";

/** A page that could not be asked for: what the server said, or that it cannot be reached. */
export function NeedsNetwork({ why }: { why: Error }) {
  return (
    <Typography component="main" sx={{ p: 4 }}>
      {why instanceof Problem && why.status > 0
        ? why.message
        : "This page needs the network, and the server does not answer. What you did elsewhere is kept on this device."}
    </Typography>
  );
}
