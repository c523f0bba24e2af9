import Box from "@mui/material/Box";
import type { ReactNode } from "react";

/** One person or one device: what it is, and what can be done with it. */
export function Line({
  about,
  children,
}: {
  about: ReactNode;
  children: ReactNode;
}) {
  return (
    <Box
      sx={{
        display: "flex",
        flexWrap: "wrap",
        gap: 1.5,
        alignItems: "center",
        py: 1.2,
        borderBottom: 1,
        borderColor: "divider",
      }}
    >
      <Box sx={{ flex: "1 1 240px" }}>{about}</Box>
      {children}
    </Box>
  );
}
