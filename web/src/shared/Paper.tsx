import Box from "@mui/material/Box";
import GlobalStyles from "@mui/material/GlobalStyles";
import type { Theme } from "@mui/material/styles";
import type { SystemStyleObject } from "@mui/system";

/** A sheet that prints on A4 and Letter alike: black on white, by day and night. */
export function Paper({
  title,
  sx,
  children,
}: {
  title: string;
  sx: SystemStyleObject<Theme>;
  children: React.ReactNode;
}) {
  return (
    <Box
      component="article"
      aria-label={title}
      sx={[
        {
          bgcolor: "#fff",
          color: "#1c1e21",
          border: "1px solid #9a9a94",
          p: 2.5,
          fontSize: "0.9rem",
          lineHeight: 1.35,
          "& *": { color: "#1c1e21 !important", borderColor: "#1c1e21" },
          "& h2": { fontSize: "1.3rem", m: 0 },
          "& table": { borderCollapse: "collapse", width: "100%" },
          "& th, & td": { textAlign: "left", pr: 1, fontWeight: 400 },
          "& thead th": { fontWeight: 650 },
          "@media print": { border: 0, p: 0, maxWidth: "none" },
        },
        sx,
      ]}
    >
      <GlobalStyles
        styles={{
          "@page": { margin: "12mm" },
          "@media print": {
            "body, html": { background: "#fff !important" },
            'section[aria-label="Stance"]': { display: "none !important" },
            main: { padding: "0 !important" },
          },
        }}
      />
      {children}
    </Box>
  );
}
