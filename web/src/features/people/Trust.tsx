import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Link from "@mui/material/Link";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import Typography from "@mui/material/Typography";
import { useState, type ReactNode } from "react";
import { dayOfYear } from "../../shared/time";
import { useAddress } from "../../shared/useAddress";

const steps = {
  Android: [
    "Open Settings and search there for “CA certificate”.",
    "Choose “Install anyway”, then nokko.crt from the downloads.",
  ],
  "iPad, iPhone": [
    "Allow the download of the profile, then open Settings: “Profile downloaded” stands at the top. Install it.",
    "Settings › General › About › Certificate Trust Settings: switch it on.",
  ],
  Windows: [
    "Open nokko.crt and press “Install Certificate”, for the current user.",
    "Place it in “Trusted Root Certification Authorities”.",
  ],
  Mac: [
    "Open nokko.crt: Keychain Access takes it into “login”.",
    "Open it there, and under Trust choose “Always Trust”.",
  ],
  Linux: [
    "In the browser’s settings search for “certificates” and open the authorities.",
    "Import nokko.crt, to identify websites.",
  ],
};

type Kind = keyof typeof steps;

/** The kind of device that reads this, as it says itself. */
function thisKind(agent: string): Kind {
  return /Android/.test(agent)
    ? "Android"
    : /iPad|iPhone|Macintosh.*Mobile/.test(agent)
      ? "iPad, iPhone"
      : /Windows/.test(agent)
        ? "Windows"
        : /Macintosh/.test(agent)
          ? "Mac"
          : "Linux";
}

/** How a tablet or a phone is told, once, to trust the certificate that this Nokko made itself. */
export default function Trust() {
  const here = useAddress();
  const [kind, setKind] = useState<Kind>(thisKind(navigator.userAgent));
  if (!here) {
    return null;
  }
  if (here.address === null || here.fingerprint === null) {
    return (
      <Page heading="Nothing to trust by hand">
        <Typography>
          {here.address === null
            ? "This Nokko serves its own machine alone. Started with --address it serves the shop’s tablets and phones, over TLS."
            : `The certificate of ${here.address} is from an authority that devices know already. If one warns here all the same, do not go on: somebody stands between.`}
        </Typography>
      </Page>
    );
  }
  return (
    <Page heading="Trust this Nokko, once on each device">
      <Typography>
        Nokko made its certificate itself, so a new device warns. Once the
        device trusts it there is no warning, Nokko opens without the network,
        and the camera works.
      </Typography>
      <Box>
        <Typography variant="h2">1. Take the certificate</Typography>
        <Button variant="contained" href="/api/address/root" sx={{ mt: 1 }}>
          Take nokko.crt
        </Button>
      </Box>
      <Box>
        <Typography variant="h2">2. Let the device trust it</Typography>
        <ToggleButtonGroup
          exclusive
          size="small"
          aria-label="Kind of device"
          value={kind}
          sx={{ my: 1, flexWrap: "wrap" }}
          onChange={(_, to: Kind | null) => {
            if (to) {
              setKind(to);
            }
          }}
        >
          {(Object.keys(steps) as Kind[]).map((k) => (
            <ToggleButton key={k} value={k}>
              {k}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        <Box component="ul" sx={{ m: 0, pl: 3 }}>
          {steps[kind].map((s) => (
            <li key={s}>{s}</li>
          ))}
        </Box>
      </Box>
      <Box>
        <Typography variant="h2">3. Compare</Typography>
        <Typography>
          ▲ The device shows the certificate’s SHA-256 fingerprint, the machine
          that serves Nokko printed it at its start. Both must show this. If
          they do not, take the certificate off the device again: somebody
          stands between.
        </Typography>
        <Typography
          sx={{
            mt: 1,
            p: 1.5,
            border: 2,
            borderColor: "divider",
            fontVariantNumeric: "tabular-nums",
            fontSize: "1.15rem",
            letterSpacing: "0.05em",
          }}
        >
          {here.fingerprint}
        </Typography>
      </Box>
      <Typography>
        It vouches for <b>{here.address}</b> alone, for no other site, until{" "}
        {here.trustedUntil && dayOfYear(here.trustedUntil)}. Then open{" "}
        <Link href={here.address}>{here.address}</Link>.
      </Typography>
    </Page>
  );
}

function Page({ heading, children }: { heading: string; children: ReactNode }) {
  return (
    <Box
      component="main"
      sx={{
        px: { xs: 1.5, sm: 3 },
        py: 2,
        maxWidth: 720,
        display: "grid",
        gridTemplateColumns: "minmax(0, 1fr)",
        gap: 3,
      }}
    >
      <Typography variant="h1">{heading}</Typography>
      {children}
    </Box>
  );
}
