import Box from "@mui/material/Box";
import type { ReactNode } from "react";

/** What is done, and beside it the paper as it will print; on a phone below it, and on paper alone. */
export function BesidePaper({
  children,
  paper,
}: {
  children: ReactNode;
  paper: ReactNode;
}) {
  return (
    <Box
      sx={{
        display: "grid",
        gap: 3,
        gridTemplateColumns: {
          xs: "minmax(0,1fr)",
          md: "minmax(0,1fr) minmax(0,1.35fr)",
        },
        "@media print": { display: "block" },
      }}
    >
      <Box className="no-print">{children}</Box>
      {paper}
    </Box>
  );
}
