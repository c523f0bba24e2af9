import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import type { ReactNode } from "react";
import type { InstrumentLine } from "../api/stream";

/** What an instrument shows at this moment, and what its state means. */
export function LiveLine({
  label,
  line,
  digits,
  says,
  beside,
}: {
  label: string;
  line: InstrumentLine | null;
  digits: number;
  says: (line: InstrumentLine) => string;
  beside?: (line: InstrumentLine) => ReactNode;
}) {
  return (
    <Box
      role="status"
      aria-label={label}
      sx={{ border: 1.5, borderColor: "divider", p: 1, mt: 1 }}
    >
      {line ? (
        <>
          <Typography sx={{ fontSize: "1.6rem", fontWeight: 700 }}>
            {line.value.toFixed(digits)} {line.unit}
            {beside?.(line)}
          </Typography>
          <Typography color="text.secondary">{says(line)}</Typography>
        </>
      ) : (
        <Typography color="text.secondary">
          ○ Waiting for the instrument. It needs the server.
        </Typography>
      )}
    </Box>
  );
}
