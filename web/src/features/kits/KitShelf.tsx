import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import type { Schemas } from "../../api/client";
import { Problem } from "../../api/problem";
import { useUnit } from "../../shared/Length";
import { ProblemNote } from "../../shared/ProblemNote";
import { useFits } from "../../shared/useFits";
import { FitMark } from "../plans/FitMark";
import { claimsOf } from "./kit";

/** So many are seen at once; the others are asked for. */
const atOnce = 3;

/** Kits on the shelf: each goes into the plan as a whole. */
export function KitShelf({
  kits,
  problem,
  onPlace,
}: {
  kits: Schemas["Part"][];
  /** Why the last one was not put in. */
  problem: Error | null;
  onPlace: (kit: Schemas["Part"]) => void;
}) {
  const unit = useUnit();
  const fitOf = useFits();
  const verdict = (kit: Schemas["Part"]) => {
    const [front, rear] = [fitOf(kit, "front"), fitOf(kit, "rear")];
    return front?.state === "doesNot" || rear?.state === "fits" ? front : rear;
  };
  const out = (kit: Schemas["Part"]) => verdict(kit)?.state === "doesNot";
  const named = kits.toSorted((a, b) => a.name.localeCompare(b.name));
  const seen = named.filter((kit) => !out(kit)).slice(0, atOnce);
  const folded = named.filter((kit) => !seen.includes(kit));
  const not = folded.filter(out).length;
  const line = (kit: Schemas["Part"]) => (
    <Box
      component="li"
      key={kit.id}
      sx={{
        display: "flex",
        alignItems: "center",
        gap: 1,
        py: 0.5,
        borderBottom: 1,
        borderColor: "divider",
      }}
    >
      <Box sx={{ flex: 1, lineHeight: 1.25, minWidth: 0 }}>
        <b>{kit.name}</b> {kit.number}
        <Box sx={{ color: "text.secondary", fontSize: "0.88rem" }}>
          {[
            claimsOf(kit, unit),
            kit.contents
              ? `${kit.contents.pieces.length.toString()} kinds of pieces`
              : "nobody noted what is in it",
            `${kit.count.toString()} on the shelf`,
          ]
            .filter(Boolean)
            .join(" · ")}
        </Box>
        <FitMark verdict={verdict(kit)} />
      </Box>
      <Button
        variant="outlined"
        aria-label={`Put in the kit ${kit.name}`}
        disabled={!kit.contents}
        onClick={() => {
          onPlace(kit);
        }}
      >
        Put in
      </Button>
    </Box>
  );
  if (kits.length === 0) {
    return null;
  }
  return (
    <Box component="section" aria-label="Kits" sx={{ mb: 2 }}>
      {problem instanceof Problem && problem.field === "kit" && (
        <ProblemNote problem={problem} />
      )}
      <Box component="ul" sx={{ listStyle: "none", p: 0, m: 0 }}>
        {seen.map(line)}
      </Box>
      {folded.length > 0 && (
        <details>
          <Box
            component="summary"
            sx={{ cursor: "pointer", fontWeight: 600, minHeight: 48, pt: 1.5 }}
          >
            {folded.length.toString()} more
            {not > 0 &&
              `, ${not.toString()} of them ${not === 1 ? "does" : "do"} not fit`}
          </Box>
          <Box component="ul" sx={{ listStyle: "none", p: 0, m: 0 }}>
            {folded.map(line)}
          </Box>
        </details>
      )}
    </Box>
  );
}
