import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Link from "@mui/material/Link";
import { useColorScheme, type Theme } from "@mui/material/styles";
import useMediaQuery from "@mui/material/useMediaQuery";
import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link as To, useLocation } from "react-router";
import { api, type Schemas } from "../api/client";
import { outbox, useOutbox } from "../api/job";
import { KeysHere } from "../features/guide/KeysHere";

/** One thin line: where home is, whether all is saved, unit, day or night, who. */
export function TopBar({ me }: { me: Schemas["Me"] }) {
  const client = useQueryClient();
  const { mode, systemMode, setMode } = useColorScheme();
  const dark = (mode === "system" ? systemMode : mode) === "dark";
  const unit = me.lengthUnit === "mm" ? "in" : "mm";
  // On a phone the places wait behind one button: the page itself begins higher.
  const phone = useMediaQuery((theme: Theme) => theme.breakpoints.down("sm"));
  const [open, setOpen] = useState(false);
  const { pathname } = useLocation();
  useEffect(() => {
    setOpen(false);
  }, [pathname]);
  const where = (
    <>
      <Link component={To} to="/shop" color="text.secondary" sx={{ py: 1.2 }}>
        {me.shop}
      </Link>
      {places.map(([to, name]) => (
        <Link
          key={to}
          component={To}
          to={to}
          color="text.primary"
          sx={{ py: 1.2 }}
        >
          {name}
        </Link>
      ))}
    </>
  );
  const how = (
    <>
      <Button
        size="small"
        color="inherit"
        aria-label={`${me.lengthUnit} → ${unit}: show lengths in ${unit === "in" ? "inches" : "millimetres"}`}
        onClick={() => {
          void api
            .PUT("/api/me/unit", { body: { lengthUnit: unit } })
            .then(() => client.invalidateQueries());
        }}
      >
        {me.lengthUnit} → {unit}
      </Button>
      <Button
        size="small"
        color="inherit"
        onClick={() => {
          setMode(dark ? "light" : "dark");
        }}
      >
        {dark ? "Day" : "Night"}
      </Button>
    </>
  );
  const who = (
    <Link
      component={To}
      to="/me"
      color="text.primary"
      aria-label={`${me.name}: your own page`}
      sx={{ py: 1.2 }}
    >
      {me.name}
    </Link>
  );
  return (
    <Box
      component="header"
      className="no-print"
      sx={{
        display: "flex",
        alignItems: "center",
        flexWrap: "wrap",
        columnGap: { xs: 1, sm: 1.5 },
        px: { xs: 1, sm: 2 },
        borderBottom: 1,
        borderColor: "divider",
        minHeight: 48,
        whiteSpace: "nowrap",
      }}
    >
      <Link
        component={To}
        to="/"
        color="text.primary"
        underline="none"
        sx={{ fontWeight: 800, fontSize: "1.15rem", py: 1.2 }}
      >
        Nokko
      </Link>
      {!phone && where}
      <Box sx={{ flex: 1, textAlign: "right", minWidth: 0 }}>
        <SaveState />
      </Box>
      {!phone && how}
      <KeysHere />
      {!phone && who}
      {phone && (
        <Button
          size="small"
          color="inherit"
          aria-expanded={open}
          onClick={() => {
            setOpen(!open);
          }}
        >
          Menu
        </Button>
      )}
      {phone && open && (
        <Box
          sx={{
            flexBasis: "100%",
            display: "flex",
            flexWrap: "wrap",
            alignItems: "center",
            columnGap: 1.5,
          }}
        >
          {where}
          {how}
          {who}
        </Box>
      )}
    </Box>
  );
}

const places: [string, string][] = [
  ["/week", "Week"],
  ["/shelf", "Shelf"],
  ["/evidence", "Evidence"],
  ["/bench", "Calculator"],
  ["/practice", "Practice"],
];

function SaveState() {
  const { letters, refused, failing, signedOut } = useOutbox();
  const others = outbox.ofOthers();
  const { pathname } = useLocation();
  // What was refused is told on the pages of its job.
  const [first] = refused;
  const job =
    first && letters.length === 0 ? `/jobs/${first.letter.job}/` : null;
  const words =
    letters.length === 0
      ? refused.length === 0
        ? "✓ All saved"
        : `■ ${refused.length.toString()} not stored`
      : others === letters.length
        ? `▲ ${others.toString()} of somebody else wait here for their sign-in`
        : failing || signedOut
          ? `▲ Not saved yet: ${letters.length.toString()}. Kept here, trying again`
          : "Saving…";
  return (
    <Box
      component="span"
      role="status"
      sx={{
        color:
          failing || signedOut || refused.length > 0
            ? "warning.main"
            : "text.secondary",
        fontSize: "0.9rem",
        whiteSpace: "normal",
      }}
    >
      {job !== null && !pathname.startsWith(job) ? (
        <Link component={To} to={`${job}walk-round`} color="inherit">
          {words}
        </Link>
      ) : (
        words
      )}
    </Box>
  );
}
