import Box from "@mui/material/Box";
import Link from "@mui/material/Link";
import { Link as To } from "react-router";
import type { Schemas } from "../../api/client";
import { templateLink } from "../bench/template";

/** What can be printed at full size for the parts of a plan: each part once, with what it says of itself. */
export function PlanTemplates({
  parts,
  kinds,
}: {
  parts: readonly Schemas["PlacedPart"][];
  kinds: readonly Schemas["PartKindView"][];
}) {
  const sheets = [
    ...new Map(parts.map((p) => [`${p.partId ?? p.id} ${p.name}`, p])).values(),
  ].flatMap((part) => {
    const kind = kinds.find((k) => k.rule.kind === part.kind);
    return (kind?.templates ?? []).map((t) => ({ part, ...t }));
  });
  if (sheets.length === 0) {
    return null;
  }
  return (
    <Box component="section" aria-label="Templates" sx={{ mt: 1.5 }}>
      <Box component="h3" sx={{ m: 0, fontSize: "1.05rem" }}>
        Templates on paper, full size
      </Box>
      {sheets.map(({ part, sheet, said }) => (
        <Box key={`${part.id} ${sheet}`} sx={{ minHeight: 32 }}>
          <Link component={To} to={templateLink(sheet, part)}>
            {said}: {part.name}
          </Link>
        </Box>
      ))}
    </Box>
  );
}
