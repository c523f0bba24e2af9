import Box from "@mui/material/Box";
import { qrPath } from "./qrPath";

/** An address as a QR code; black on white by day and by night, because cameras look for that. */
export default function Qr({
  of,
  says = of,
}: {
  of: string;
  /** What it is of, where the address itself is no words. */
  says?: string;
}) {
  const { dark, size } = qrPath(of, 2);
  return (
    <Box
      component="svg"
      role="img"
      aria-label={`QR code of ${says}`}
      viewBox={`0 0 ${String(size)} ${String(size)}`}
      shapeRendering="crispEdges"
      sx={{ width: 196, height: 196, display: "block", bgcolor: "#fff" }}
    >
      <path d={dark} fill="#000" />
    </Box>
  );
}
