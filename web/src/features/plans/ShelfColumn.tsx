import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Link from "@mui/material/Link";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Link as To } from "react-router";
import type { Schemas } from "../../api/client";
import { useUnit } from "../../shared/Length";
import { inMm, showText } from "../../shared/length";
import { isPart } from "../../shared/parts";
import { useFits } from "../../shared/useFits";
import { partWords } from "../../api/words";
import { FitMark } from "./FitMark";
import { Grip } from "./Grip";
import type { Axle, Side, Turned } from "./stacks";

const order = Object.keys(partWords);

const settings: Record<
  Turned,
  { label: string; placeholder?: string; press: string }
> = {
  raisedCollar: { label: "Turn the collar up by", press: "Turn up" },
  torsionAdjuster: {
    label: "Adjuster, turns in all",
    placeholder: "for example 3, or −1",
    press: "Set",
  },
  steeringStops: {
    label: "Steering stops, earlier by °",
    placeholder: "for example 3",
    press: "Set",
  },
};

/** From here on the list is worth a search. */
const many = 8;

/** So many are shown at once; the rest is found. */
const atOnce = 40;

/** What is known to fit stands first, what nobody knows behind it. */
const known: Record<Schemas["FitState"], number> = {
  fits: 0,
  unknown: 1,
  doesNot: 2,
};

/** The parts that have a place on the chosen axle, those that lift first. Pointing at one shows in the band what it would do. */
export function ShelfColumn({
  parts,
  kinds,
  suspension,
  axle,
  side,
  turns,
  grip,
  onTry,
  onPlace,
  onTurn,
  kits,
}: {
  parts: Schemas["ShelfPart"][];
  kinds: Schemas["PartKindView"][];
  suspension: Schemas["SuspensionKind"];
  axle: Axle;
  side: Side;
  /** What can be turned here without anything from the shelf. */
  turns: Turned[];
  grip: (part: Schemas["Part"], label: string) => Record<string, unknown>;
  onTry: (part: Schemas["Part"] | null) => void;
  onPlace: (part: Schemas["Part"]) => void;
  onTurn: (what: Turned, by: string) => void;
  /** What goes in as a whole. */
  kits: React.ReactNode;
}) {
  const unit = useUnit();
  const [find, setFind] = useState("");
  const rule = (p: Schemas["Part"]) =>
    kinds.find((k) => k.rule.kind === p.kind);
  const lifts = (p: Schemas["Part"]) => rule(p)?.rule.family !== "none";
  const fitOf = useFits();
  const state = (p: Schemas["Part"]) => fitOf(p, axle)?.state ?? "unknown";
  const withPlace = parts
    .map((p) => p.part)
    .filter(
      (p) =>
        rule(p)?.fits.includes(suspension) &&
        !(rule(p)?.rule.steeredOnly && axle === "rear") &&
        // A steered axle takes no block; the shelf does not tempt anybody.
        !(p.kind === "block" && axle === "front"),
    );
  // In order once; what is typed only takes out.
  const ordered = withPlace.toSorted(
    (a, b) =>
      Number(lifts(b)) - Number(lifts(a)) ||
      known[state(a)] - known[state(b)] ||
      order.indexOf(a.kind) - order.indexOf(b.kind) ||
      (a.thickness ? inMm(a.thickness) : 1e9) -
        (b.thickness ? inMm(b.thickness) : 1e9),
  );
  const found = ordered.filter((p) => isPart(p, find.trim()));
  const mine = found.filter((p) => state(p) !== "doesNot");
  const not = found.filter((p) => state(p) === "doesNot");
  const where = side === "both" ? `both ${axle}` : `the ${side} ${axle}`;
  const line = (p: Schemas["Part"]) => (
    <Box
      component="li"
      key={p.id}
      onMouseEnter={() => {
        onTry(p);
      }}
      onMouseLeave={() => {
        onTry(null);
      }}
      sx={{
        display: "flex",
        alignItems: "center",
        gap: 1,
        py: 0.5,
        borderBottom: 1,
        borderColor: "divider",
      }}
    >
      <Grip grip={grip(p, p.name)} name={p.name} />
      <Box
        aria-hidden
        sx={{
          width: 34,
          height: p.thickness ? Math.min(56, inMm(p.thickness) * 0.6) : 10,
          bgcolor: "secondary.main",
          opacity: p.thickness ? 1 : 0.35,
          flex: "none",
        }}
      />
      <Box sx={{ flex: 1, lineHeight: 1.25, minWidth: 0 }}>
        <b>
          {p.thickness
            ? showText(inMm(p.thickness), unit)
            : rule(p)?.rule.amount === null
              ? ""
              : "Thickness unknown"}
        </b>{" "}
        {p.name}
        <Box sx={{ color: "text.secondary", fontSize: "0.88rem" }}>
          {partWords[p.kind].said} {p.number}
          {p.claim && ` · says ${showText(inMm(p.claim), unit)}`} · {p.count} on
          the shelf
        </Box>
        <FitMark verdict={fitOf(p, axle)} />
      </Box>
      <Button
        variant="outlined"
        aria-label={`Put in ${p.name}, ${where}`}
        onFocus={() => {
          onTry(p);
        }}
        onBlur={() => {
          onTry(null);
        }}
        onClick={() => {
          onPlace(p);
        }}
      >
        Put in
      </Button>
    </Box>
  );
  return (
    <Box component="section" data-drop="off">
      <Box
        sx={{
          display: "flex",
          alignItems: "center",
          flexWrap: "wrap",
          columnGap: 1,
        }}
      >
        <Typography variant="h2">Shelf, for {where}</Typography>
        {withPlace.length > many && (
          <TextField
            label="Find on the shelf"
            size="small"
            value={find}
            onChange={(e) => {
              setFind(e.target.value);
            }}
            fullWidth={false}
            sx={{ my: 1, flex: "1 1 130px" }}
          />
        )}
      </Box>
      {withPlace.length === 0 && (
        <Typography>
          Nothing on the shelf fits here.{" "}
          <Link component={To} to="/shelf">
            Put parts on the shelf
          </Link>
          .
        </Typography>
      )}
      <Box
        component="ul"
        sx={{
          listStyle: "none",
          p: 0,
          m: 0,
        }}
      >
        {mine.slice(0, atOnce).map(line)}
      </Box>
      {mine.length > atOnce && (
        <Typography color="text.secondary" sx={{ py: 1 }}>
          {(mine.length - atOnce).toString()} more: find them by name, number or
          kind.
        </Typography>
      )}
      {turns.map((what) => (
        <SettingForm key={what} what={what} onTurn={onTurn} />
      ))}
      {kits}
      {not.length > 0 && (
        <details>
          <Box
            component="summary"
            sx={{ cursor: "pointer", fontWeight: 600, minHeight: 48, pt: 1.5 }}
          >
            {not.length.toString()} that {not.length === 1 ? "does" : "do"} not
            fit this vehicle
          </Box>
          <Box component="ul" sx={{ listStyle: "none", p: 0, m: 0 }}>
            {not.slice(0, atOnce).map(line)}
          </Box>
        </details>
      )}
    </Box>
  );
}

/** What is turned, with nothing from the shelf. */
function SettingForm({
  what,
  onTurn,
}: {
  what: Turned;
  onTurn: (what: Turned, by: string) => void;
}) {
  const unit = useUnit();
  const [by, setBy] = useState("");
  return (
    <Box
      component="form"
      onSubmit={(e) => {
        e.preventDefault();
        onTurn(what, by);
        setBy("");
      }}
      sx={{ display: "flex", gap: 1, my: 1, alignItems: "center" }}
    >
      <TextField
        label={settings[what].label}
        size="small"
        value={by}
        placeholder={settings[what].placeholder ?? unit}
        onChange={(e) => {
          setBy(e.target.value);
        }}
        slotProps={{ inputLabel: { shrink: true } }}
      />
      <Button
        type="submit"
        variant="outlined"
        sx={{ whiteSpace: "nowrap", flex: "none" }}
      >
        {settings[what].press}
      </Button>
    </Box>
  );
}
