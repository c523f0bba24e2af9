import Box from "@mui/material/Box";

/** What is carried, beside the finger or the pointer. */
export function HeldLabel({
  held,
}: {
  held: { x: number; y: number; label: string } | null;
}) {
  return (
    held && (
      <Box
        aria-hidden
        sx={{
          position: "fixed",
          left: held.x + 12,
          top: held.y + 12,
          zIndex: 10,
          pointerEvents: "none",
          bgcolor: "secondary.main",
          color: "secondary.contrastText",
          px: 1,
          py: 0.5,
          fontWeight: 600,
        }}
      >
        {held.label}
      </Box>
    )
  );
}
