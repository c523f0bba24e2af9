import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { partWords } from "../../api/words";
import { useUnit } from "../../shared/Length";
import { PartDrawing } from "../../shared/PartDrawing";
import { inMm, showText } from "../../shared/length";
import { knownWords, quantityText } from "../../shared/quantity";
import { dayText } from "../../shared/time";
import { claimsOf } from "../kits/kit";
import { Stock } from "./Stock";

/** A part on the shelf: what it is, how many lie there and are planned, and what is done with it. */
export function ShelfLine({
  row: { part, fits },
  planned,
  first,
  kinds,
  phone,
  onChange,
  onTakeOff,
}: {
  row: Schemas["ShelfPart"];
  /** Pieces that chosen plans want and did not take yet. */
  planned: number;
  first: boolean;
  kinds: Schemas["PartKindView"][];
  phone: boolean;
  onChange: () => void;
  onTakeOff: () => void;
}) {
  const unit = useUnit();
  const [open, setOpen] = useState(false);
  const [stock, setStock] = useState(false);
  const kind = kinds.find((k) => k.rule.kind === part.kind);
  const amount = kind?.rule.amount ?? null;
  const sizes = Object.entries(part.dimensions).map(
    ([name, q]) =>
      `${kind?.sizes.find((s) => s.name === name)?.label ?? name} ${["mm", "in"].includes(q.unit) ? showText(inMm(q), unit) : quantityText(q)}`,
  );
  const facts = [
    part.thickness
      ? `${amount === "Thickness" ? "" : `${amount ?? ""} `}${showText(inMm(part.thickness), unit)}${amount === "Thickness" ? " thick" : ""}, ${knownWords[part.thickness.known]}`
      : amount === null
        ? part.kind === "kit" && !part.contents
          ? "nobody noted what is in the box"
          : null
        : "thickness unknown: no prediction until somebody measures it",
    part.kind === "kit"
      ? claimsOf(part, unit)
      : part.claim && `claims ${showText(inMm(part.claim), unit)}`,
    part.contents?.pieces
      .map((p) => `${p.count.toString()} ${p.name}`)
      .join(", "),
    ...sizes,
    part.leaves.length > 0 ? `${part.leaves.length.toString()} leaves` : null,
    part.price !== null
      ? `${part.price.toFixed(2)} ${part.currency ?? ""}`.trim()
      : null,
    part.supplier && `from ${part.supplier}`,
    part.dueOn && `comes ${dayText(part.dueOn)}`,
    part.hours && `${part.hours.value.toString()} ${part.hours.unit} to fit`,
    part.madeFor && `made for ${part.madeFor}`,
    part.limits && `maker: ${part.limits}`,
    fits,
  ].filter(Boolean);
  return (
    <>
      {first && (
        <Box
          component="li"
          sx={{
            pt: 1.5,
            pb: 0.25,
            borderBottom: 2,
            borderColor: "text.primary",
            fontWeight: 700,
            display: "flex",
            alignItems: "center",
            gap: 1.25,
          }}
        >
          <PartDrawing kind={part.kind} />
          <span>
            {partWords[part.kind].said}
            {partWords[part.kind].also.length > 0 && (
              <Box
                component="span"
                sx={{ color: "text.secondary", fontWeight: 400 }}
              >
                {" "}
                · also {partWords[part.kind].also.join(", ")}
              </Box>
            )}
          </span>
        </Box>
      )}
      <Box
        component="li"
        sx={{
          display: "flex",
          flexWrap: { xs: "wrap", sm: stock ? "wrap" : "nowrap" },
          columnGap: 2,
          alignItems: "center",
          borderBottom: 1,
          borderColor: "divider",
          py: 0.5,
        }}
      >
        <Box
          aria-hidden
          sx={{
            width: { xs: 26, sm: 44 },
            flex: "none",
            height: part.thickness
              ? Math.min(60, inMm(part.thickness) * 0.8)
              : 10,
            bgcolor: "secondary.main",
            opacity: part.thickness ? 1 : 0.35,
          }}
        />
        <Box sx={{ flex: 1, minWidth: 0 }}>
          <b>{part.name}</b> {part.number}
          <Box
            sx={{
              color: "text.secondary",
              // On a phone one line until it is opened.
              ...(phone &&
                !open && {
                  whiteSpace: "nowrap",
                  overflow: "hidden",
                  textOverflow: "ellipsis",
                }),
            }}
          >
            {facts.join(" · ")}
          </Box>
        </Box>
        <Box sx={{ textAlign: "right", lineHeight: 1.2 }}>
          <b>{part.count}</b>
          {planned > 0 && (
            <Box
              sx={{
                fontSize: "0.85rem",
                color: planned > part.count ? "warning.main" : "text.secondary",
                fontWeight: planned > part.count ? 700 : 400,
              }}
            >
              {planned > part.count && "▲ "}
              {planned} planned
            </Box>
          )}
        </Box>
        {phone && (
          <Button
            aria-expanded={open}
            aria-label={`More of ${part.name}`}
            onClick={() => {
              setOpen(!open);
            }}
            sx={{ minWidth: 48, px: 1 }}
          >
            {open ? "▲" : "▼"}
          </Button>
        )}
        {(!phone || open) && (
          <Box
            sx={{
              display: "flex",
              gap: 1,
              flexBasis: { xs: "100%", sm: "auto" },
            }}
          >
            <Button
              variant="outlined"
              aria-label={`Change ${part.name}`}
              onClick={onChange}
            >
              Change
            </Button>
            <Button
              aria-expanded={stock}
              aria-label={`Stock of ${part.name}`}
              onClick={() => {
                setStock(!stock);
              }}
            >
              Stock
            </Button>
            <Button aria-label={`Take off ${part.name}`} onClick={onTakeOff}>
              Take off
            </Button>
          </Box>
        )}
        {stock && (!phone || open) && <Stock part={part} />}
      </Box>
    </>
  );
}
