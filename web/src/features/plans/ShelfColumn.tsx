import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Link from "@mui/material/Link";
import Typography from "@mui/material/Typography";
import { Link as To } from "react-router";
import type { Schemas } from "../../api/client";
import { useUnit } from "../../shared/Length";
import { inMm, showText } from "../../shared/length";
import { kindWords } from "../shelf/kinds";

const fits = { front: "strutTopSpacer", rear: "block" } as const;

/** The parts that belong to the chosen axle, thinnest first. Pointing at one shows in the band what it would do. */
export function ShelfColumn({
  parts,
  axle,
  side,
  onTry,
  onPlace,
}: {
  parts: Schemas["ShelfPart"][];
  axle: "front" | "rear";
  side: "both" | "left" | "right";
  onTry: (part: Schemas["Part"] | null) => void;
  onPlace: (part: Schemas["Part"]) => void;
}) {
  const unit = useUnit();
  const mine = parts
    .map((p) => p.part)
    .filter((p) => p.kind === fits[axle])
    .sort(
      (a, b) =>
        (a.thickness ? inMm(a.thickness) : 1e9) -
        (b.thickness ? inMm(b.thickness) : 1e9),
    );
  const where = side === "both" ? `both ${axle}` : `the ${side} ${axle}`;
  return (
    <Box component="section">
      <Typography variant="h2">Shelf, for {where}</Typography>
      {mine.length === 0 && (
        <Typography>
          Nothing on the shelf fits here.{" "}
          <Link component={To} to="/shelf">
            Put parts on the shelf
          </Link>
          .
        </Typography>
      )}
      <Box component="ul" sx={{ listStyle: "none", p: 0, m: 0 }}>
        {mine.map((p) => (
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
            <Box
              aria-hidden
              sx={{
                width: 34,
                height: p.thickness ? inMm(p.thickness) * 0.6 : 10,
                bgcolor: "secondary.main",
                opacity: p.thickness ? 1 : 0.35,
                flex: "none",
              }}
            />
            <Box sx={{ flex: 1, lineHeight: 1.25, minWidth: 0 }}>
              <b>
                {p.thickness
                  ? showText(inMm(p.thickness), unit)
                  : "Thickness unknown"}
              </b>{" "}
              {p.name}
              <Box sx={{ color: "text.secondary", fontSize: "0.88rem" }}>
                {kindWords[p.kind]} {p.number}
                {p.claim && ` · says ${showText(inMm(p.claim), unit)}`} ·{" "}
                {p.count} on the shelf
              </Box>
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
        ))}
      </Box>
    </Box>
  );
}
