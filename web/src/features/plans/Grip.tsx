import Box from "@mui/material/Box";

/** Where a part is taken hold of; for the hand only, keys have buttons of their own. */
export function Grip({
  grip,
  name,
}: {
  grip: Record<string, unknown>;
  name: string;
}) {
  return (
    <Box
      aria-hidden
      title={`Drag ${name}`}
      data-grip={name}
      {...grip}
      sx={{
        minWidth: 34,
        minHeight: 48,
        display: "grid",
        placeItems: "center",
        color: "text.secondary",
        fontSize: "1.3rem",
        userSelect: "none",
        flex: "none",
      }}
    >
      ⠿
    </Box>
  );
}
