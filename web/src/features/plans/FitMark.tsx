import Box from "@mui/material/Box";
import type { Schemas } from "../../api/client";

/** Whether a part fits, where that is not plain; nothing until it is known. */
export function FitMark({
  verdict,
}: {
  verdict: Schemas["FitVerdict"] | null | undefined;
}) {
  if (verdict === undefined || verdict?.state === "fits") {
    return null;
  }
  const not = verdict?.state === "doesNot";
  return (
    <Box
      sx={{
        fontSize: "0.88rem",
        color: not ? "error.main" : "text.secondary",
        fontWeight: not ? 600 : 400,
      }}
    >
      {verdict === null
        ? "? not noted whether it fits"
        : `${not ? "■ does not fit" : "? fits, if"}: ${verdict.why ?? ""}`}
    </Box>
  );
}
