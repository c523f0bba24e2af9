import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import type { Schemas } from "../../api/client";
import { cornerWords } from "../../shared/quantity";

/** Cautions of one axle, under its corners: what holds for both sides is said once. */
export function Cautions({
  axle,
  corners,
}: {
  axle: "front" | "rear";
  corners: Schemas["CornerOutlook"][];
}) {
  const mine = corners.filter(
    (c) => c.corner.endsWith("F") === (axle === "front"),
  );
  const said = [
    ...new Map(
      mine.flatMap((c) => c.cautions).map((c) => [c.says, c]),
    ).values(),
  ];
  if (said.length === 0) {
    return <Box sx={{ gridColumn: "span 2", order: { sm: 1 } }} />;
  }
  return (
    <Box
      component="ul"
      tabIndex={-1}
      id={cautionsOf(axle)}
      aria-label={`Cautions, ${axle}`}
      sx={{
        gridColumn: "span 2",
        // On a phone under their own corners, on a wide page all below.
        order: { sm: 1 },
        listStyle: "none",
        m: 0,
        p: 0,
        minWidth: 0,
      }}
    >
      {said.map((c) => {
        const at = mine.filter((o) =>
          o.cautions.some((other) => other.says === c.says),
        );
        return (
          <Box
            component="li"
            key={c.says}
            sx={{
              py: 0.5,
              fontSize: "0.92rem",
              lineHeight: 1.35,
              borderBottom: 1,
              borderColor: "divider",
              color: c.heed === "stop" ? "error.main" : "warning.main",
              fontWeight: c.heed === "stop" ? 700 : 400,
            }}
          >
            {c.heed === "stop" ? "■" : "▲"}{" "}
            {at.length === 1 && mine.length > 1
              ? `${cornerWords[at[0]?.corner ?? ""] ?? ""}: `
              : ""}
            {c.says}
          </Box>
        );
      })}
    </Box>
  );
}

const cautionsOf = (axle: "front" | "rear") => `cautions-${axle}`;

/** How many stops and cautions the corners carry, beside the button that agrees; it leads to them. */
export function ToHeed({ corners }: { corners: Schemas["CornerOutlook"][] }) {
  const said = [
    ...new Map(
      corners
        .flatMap((c) =>
          c.cautions.map((k) => ({ ...k, front: c.corner.endsWith("F") })),
        )
        .map((c) => [`${c.front.toString()} ${c.says}`, c]),
    ).values(),
  ];
  const [first] = said.toSorted(
    (a, b) => Number(b.heed === "stop") - Number(a.heed === "stop"),
  );
  if (!first) {
    return null;
  }
  const stops = said.filter((c) => c.heed === "stop").length;
  const words = (n: number, of: string) =>
    n === 0 ? [] : [`${n.toString()} ${of}${n === 1 ? "" : "s"}`];
  return (
    <Button
      color={stops > 0 ? "error" : "warning"}
      onClick={() => {
        const list = document.getElementById(
          cautionsOf(first.front ? "front" : "rear"),
        );
        list?.scrollIntoView({ block: "center" });
        list?.focus({ preventScroll: true });
      }}
    >
      {stops > 0 ? "■" : "▲"}{" "}
      {[...words(stops, "stop"), ...words(said.length - stops, "caution")].join(
        ", ",
      )}
    </Button>
  );
}
