import Box from "@mui/material/Box";
import Link from "@mui/material/Link";
import Typography from "@mui/material/Typography";
import { lazy, Suspense } from "react";
import { Link as To } from "react-router";
import { useAddress } from "../../shared/useAddress";

const Qr = lazy(() => import("../../shared/Qr"));

/** Opens an address on another device, or says why that does not work here. */
export function Elsewhere({ path }: { path: string }) {
  const here = useAddress();
  if (!here) {
    return null;
  }
  if (here.address === null) {
    return (
      <Typography sx={{ mt: 1 }}>
        ▲ Nokko serves this machine alone: another device reaches nothing here.
        Start it with <code>--address</code> and the name or number that this
        machine has in the shop’s network.
      </Typography>
    );
  }
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 2, mt: 1 }}>
      <Suspense fallback={<Box sx={{ width: 196, height: 196 }} />}>
        <Qr of={here.address + path} />
      </Suspense>
      <Box sx={{ flex: 1, minWidth: 240 }}>
        <Typography>
          Hold the other device’s camera to it
          {path === "/" && (
            <>
              , or type <b>{here.address}</b>
            </>
          )}
          . It must be in the same network.
        </Typography>
        {here.fingerprint !== null && (
          <Typography sx={{ mt: 1 }}>
            A device that was never here warns first. It is told once whom to
            trust:{" "}
            <Link component={To} to="/trust">
              how
            </Link>
            .
          </Typography>
        )}
      </Box>
    </Box>
  );
}
