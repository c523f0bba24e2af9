import Box from "@mui/material/Box";
import visuallyHidden from "@mui/utils/visuallyHidden";
import { useUnit } from "../../shared/Length";
import { numberOf, standing, titleOf, type Mechanism } from "./geometry";

/** A line or a way to choose. */
export const chip = (chosen: boolean) => ({
  font: "inherit",
  fontWeight: 600,
  textAlign: "left" as const,
  display: "flex",
  alignItems: "center",
  minHeight: 48,
  px: 1.25,
  cursor: "pointer",
  color: "text.primary",
  bgcolor: chosen ? "background.paper" : "transparent",
  border: 2,
  borderColor: chosen ? "primary.main" : "divider",
  borderRadius: 1,
  "&:focus-visible": { outline: 3, outlineOffset: 1 },
});

/** One mechanism in the list: its number, and whether it is within its limit. */
export function MechanismLine({
  mechanism,
  looked,
  onLook,
}: {
  mechanism: Mechanism;
  looked: boolean;
  onLook: () => void;
}) {
  const unit = useUnit();
  const figure = standing(mechanism)?.figure;
  const number = numberOf(mechanism, unit);
  const guessed = figure?.known === "archetype";
  return (
    <Box
      component="button"
      aria-current={looked ? "true" : undefined}
      onClick={onLook}
      sx={{
        ...chip(looked),
        flexWrap: "wrap",
        justifyContent: "space-between",
        columnGap: 1,
      }}
    >
      <Box component="span" sx={{ fontWeight: 650 }}>
        {titleOf(mechanism)}
      </Box>
      <Box
        component="span"
        sx={{
          color: mechanism.beyond ? "warning.main" : "text.secondary",
          fontWeight: mechanism.beyond ? 700 : 400,
          fontSize: "0.9rem",
        }}
      >
        {mechanism.beyond ? "▲ " : ""}
        {number}
        {guessed ? " ?" : ""}
        <span style={visuallyHidden}>
          {guessed
            ? ", not taped"
            : mechanism.beyond
              ? ", beyond its limit"
              : ""}
        </span>
      </Box>
    </Box>
  );
}
