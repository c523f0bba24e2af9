import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import IconButton from "@mui/material/IconButton";
import type { Schemas } from "../../api/client";
import { partWords, suspensionEnds } from "../../api/words";
import { useInks } from "../../shared/theme";
import { useUnit } from "../../shared/Length";
import { inMm, showText } from "../../shared/length";
import { cornerWords } from "../../shared/quantity";
import { CornerFigures } from "./CornerFigures";
import { corners, type Piece, type Corner } from "./stacks";
import { TravelLadder } from "./TravelLadder";

/** mm to px: thickness is to scale, strut and spring stand for themselves. */
const scale = 0.8;

/** What springs a corner, drawn: a coil, leaves, a bar with its arm and adjuster, a bellows. */
const springs = {
  coil: "M40 0V12M26 12H54M26 12 54 20 26 28 54 36 26 44 54 52M40 52V66",
  leaf: "M10 24Q40 40 70 24M16 32Q40 45 64 32M32 42V58H48V42M24 58H56",
  bar: "M16 28A8 8 0 1 0 32 28A8 8 0 1 0 16 28M32 30 70 44M18 34 10 54M4 54H18M11 54V64",
  air: "M26 4H54M28 4Q20 14 30 22 20 30 30 40M52 4Q60 14 50 22 60 30 50 40M26 40H54M40 40V66M40 0V4",
};

/** One corner as an exploded stack: what is above, the parts to scale, what is below, and the travel that is left. */
export function CornerColumn({
  corner,
  suspension,
  air,
  parts,
  chosen,
  outlook,
  range,
  kinds,
  grip,
  onChoose,
  onTakeOut,
  onMove,
}: {
  corner: Corner;
  suspension: Schemas["SuspensionKind"];
  /** Whether air takes the coil's place. */
  air: boolean;
  parts: Schemas["PlacedPart"][];
  chosen: boolean;
  outlook: Schemas["CornerOutlook"] | undefined;
  range: { low: number; high: number };
  kinds: Schemas["PartKindView"][];
  grip: (piece: Piece, label: string) => Record<string, unknown>;
  onChoose: () => void;
  onTakeOut: (id: string) => void;
  onMove: (id: string, to: string) => void;
}) {
  const inks = useInks();
  const { above, below, spring } = suspensionEnds[suspension];
  const tile = (p: Schemas["PlacedPart"]) => (
    <Tile
      key={p.id}
      part={p}
      corner={corner}
      sizeless={kinds.find((k) => k.rule.kind === p.kind)?.rule.amount === null}
      grip={grip({ corner, id: p.id }, p.name)}
      onTakeOut={() => {
        onTakeOut(p.id);
      }}
      onMove={(to) => {
        onMove(p.id, to);
      }}
    />
  );
  return (
    <Box
      data-drop={corner}
      sx={{
        border: 2,
        borderColor: chosen ? "primary.main" : "divider",
        borderTopWidth: 6,
        display: "flex",
        flexDirection: "column",
        alignItems: "stretch",
        bgcolor: "background.paper",
        minWidth: 0,
      }}
    >
      <Button
        color="inherit"
        aria-pressed={chosen}
        onClick={onChoose}
        sx={{ borderRadius: 0 }}
      >
        {chosen ? "▼ " : ""}
        {cornerWords[corner]}
      </Button>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: outlook
            ? "minmax(0, 1fr) minmax(84px, 102px)"
            : "minmax(0, 1fr)",
          flex: 1,
        }}
      >
        <Box
          sx={{
            display: "flex",
            flexDirection: "column",
            alignItems: "stretch",
          }}
        >
          <Layer label={above} />
          {parts.filter((p) => !partWords[p.kind].belowSpring).map(tile)}
          <Box component="svg" viewBox="0 0 80 66" height={56} aria-hidden>
            <path
              d={springs[air ? "air" : spring]}
              fill="none"
              stroke={inks.now}
              strokeWidth={2.5}
            />
          </Box>
          {parts.filter((p) => partWords[p.kind].belowSpring).map(tile)}
          <Layer label={below} />
        </Box>
        {outlook && <TravelLadder outlook={outlook} range={range} />}
      </Box>
      {outlook && <CornerFigures outlook={outlook} />}
    </Box>
  );
}

/** A part in its place. Arrow keys carry it to another corner, Delete takes it out. */
function Tile({
  part: p,
  corner,
  sizeless,
  grip,
  onTakeOut,
  onMove,
}: {
  part: Schemas["PlacedPart"];
  corner: Corner;
  /** Whether its kind has no one size that lifts. */
  sizeless: boolean;
  grip: Record<string, unknown>;
  onTakeOut: () => void;
  onMove: (to: string) => void;
}) {
  const unit = useUnit();
  const where = cornerWords[corner] ?? corner;
  const amount =
    p.thickness !== null
      ? showText(inMm(p.thickness), unit)
      : sizeless
        ? null
        : "thickness unknown";
  return (
    <Box sx={{ pl: 0.5 }}>
      <Box sx={{ display: "flex", alignItems: "center" }}>
        <Box
          aria-hidden
          title={`Drag ${p.name}, ${where}`}
          data-grip={`${p.name}, ${where}`}
          {...grip}
          sx={{ flex: 1, py: 0.5 }}
        >
          <Box
            sx={{
              height: `${Math.max(8, (p.thickness ? inMm(p.thickness) : 12) * scale).toFixed(0)}px`,
              bgcolor: "secondary.main",
              opacity: p.thickness ? 1 : 0.4,
            }}
          />
        </Box>
        <IconButton
          size="small"
          color="primary"
          aria-label={`Take out ${p.name}, ${where}`}
          aria-keyshortcuts="Delete ArrowLeft ArrowRight"
          title="Take out; ← and → carry it to the next corner"
          onClick={onTakeOut}
          onKeyDown={(e) => {
            const step =
              e.key === "ArrowRight" ? 1 : e.key === "ArrowLeft" ? -1 : 0;
            const to = corners[corners.indexOf(corner) + step];
            if (e.key === "Delete") {
              e.preventDefault();
              onTakeOut();
            } else if (step !== 0 && to) {
              e.preventDefault();
              onMove(to);
            }
          }}
          sx={{ width: 36, height: 44, borderRadius: 0, flex: "none" }}
        >
          <svg width={16} height={16} viewBox="0 0 16 16" aria-hidden>
            <path
              d="M2 2 14 14M14 2 2 14"
              stroke="currentColor"
              strokeWidth={2.5}
            />
          </svg>
        </IconButton>
      </Box>
      <Box
        sx={{
          fontSize: "0.85rem",
          lineHeight: 1.2,
          pb: 0.5,
          hyphens: "auto",
          overflowWrap: "break-word",
        }}
      >
        {p.name}
        {amount && (
          <>
            <br />
            {amount}
          </>
        )}
      </Box>
    </Box>
  );
}

function Layer({ label }: { label: string }) {
  return (
    <Box
      sx={{
        borderTop: 2,
        borderBottom: 2,
        borderColor: "text.primary",
        textAlign: "center",
        fontSize: "0.85rem",
        color: "text.secondary",
      }}
    >
      {label}
    </Box>
  );
}
