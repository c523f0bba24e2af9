import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import type { Schemas } from "../../api/client";
import { useUnit } from "../../shared/Length";
import { inMm, showText } from "../../shared/length";
import { cornerWords } from "../../shared/quantity";
import { useInks } from "../../app/theme";

/** mm to px: thickness is to scale, the strut and the spring stand for themselves. */
const scale = 0.8;

/** One corner as an exploded stack: what is above, the parts to scale, what is below. */
export function CornerColumn({
  corner,
  vehicle,
  parts,
  chosen,
  onChoose,
  onTakeOut,
}: {
  corner: string;
  vehicle: Schemas["Vehicle"];
  parts: Schemas["PlacedPart"][];
  chosen: boolean;
  onChoose: () => void;
  onTakeOut: (id: string) => void;
}) {
  const inks = useInks();
  const unit = useUnit();
  const strut =
    (corner.endsWith("F") ? vehicle.front : vehicle.rear).kind ===
    "coilOverArm";
  return (
    <Box
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
      <Layer label={strut ? "body, tower" : "leaf spring"} />
      {parts.map((p) => (
        <Box key={p.id} sx={{ textAlign: "center", px: 0.5 }}>
          <Box
            sx={{
              mx: "auto",
              width: "74%",
              height: `${Math.max(8, (p.thickness ? inMm(p.thickness) : 12) * scale).toFixed(0)}px`,
              bgcolor: "secondary.main",
              opacity: p.thickness ? 1 : 0.4,
              my: 0.5,
            }}
          />
          <Box sx={{ fontSize: "0.9rem", lineHeight: 1.2 }}>
            {p.name}
            <br />
            {p.thickness
              ? showText(inMm(p.thickness), unit)
              : "thickness unknown"}
          </Box>
          <Button
            size="small"
            aria-label={`Take out ${p.name}, ${cornerWords[corner] ?? corner}`}
            onClick={() => {
              onTakeOut(p.id);
            }}
          >
            Take out
          </Button>
        </Box>
      ))}
      <Box sx={{ flex: 1 }} />
      <Box component="svg" viewBox="0 0 80 66" height={66} aria-hidden>
        {strut ? (
          <path
            d="M40 0V12M26 12H54M26 12 54 20 26 28 54 36 26 44 54 52M40 52V66"
            fill="none"
            stroke={inks.now}
            strokeWidth={2.5}
          />
        ) : (
          <path
            d="M10 24Q40 40 70 24M16 32Q40 45 64 32M32 42V58H48V42M24 58H56"
            fill="none"
            stroke={inks.now}
            strokeWidth={2.5}
          />
        )}
      </Box>
      <Layer label={strut ? "lower arm" : "axle"} />
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
