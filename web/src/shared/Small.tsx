import Box from "@mui/material/Box";

/** Outlines on a field of 48 by 48. */
export interface Lines {
  /** What is around it. */
  around: string[];
  /** The thing itself. */
  it: string[];
  /** Whether it is solid. */
  filled?: boolean;
}

/** A small drawing beside words that say the same. */
export function Small({ lines, size }: { lines: Lines; size: number }) {
  return (
    <Box
      component="svg"
      aria-hidden
      viewBox="0 0 48 48"
      sx={{
        width: size,
        height: size,
        flex: "none",
        fill: "none",
        strokeLinejoin: "round",
        strokeLinecap: "round",
      }}
    >
      <Box
        component="path"
        d={lines.around.join("")}
        sx={{ stroke: "currentColor", strokeWidth: 1.25, opacity: 0.6 }}
      />
      <Box
        component="path"
        d={lines.it.join("")}
        sx={{
          stroke: "currentColor",
          strokeWidth: 2.75,
          fill: lines.filled ? "currentColor" : "none",
          fillOpacity: 0.35,
        }}
      />
    </Box>
  );
}
