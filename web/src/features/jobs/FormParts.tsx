import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";

/** A part of a form with its heading. */
export function Section({
  title,
  id,
  children,
}: {
  title: string;
  id?: string;
  children: React.ReactNode;
}) {
  return (
    <Box component="section" id={id} sx={{ mt: 2.5 }}>
      <Typography variant="h2" sx={{ mb: 1.25 }}>
        {title}
      </Typography>
      {children}
    </Box>
  );
}

/** Fields beside each other: four on a wide page, three where they are long. */
export function Grid({
  wide = false,
  children,
}: {
  wide?: boolean;
  children: React.ReactNode;
}) {
  return (
    <Box
      sx={{
        display: "grid",
        gap: 1.5,
        gridTemplateColumns: {
          xs: "repeat(auto-fill, minmax(190px, 1fr))",
          md: `repeat(${wide ? "3" : "4"}, minmax(0, 1fr))`,
        },
      }}
    >
      {children}
    </Box>
  );
}
