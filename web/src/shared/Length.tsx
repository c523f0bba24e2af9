import Box from "@mui/material/Box";
import visuallyHidden from "@mui/utils/visuallyHidden";
import { useMe } from "../api/job";
import { shown, shownU, text, type LengthUnit, type Shown } from "./length";

export function useUnit(): LengthUnit {
  return useMe().data?.lengthUnit === "mm" ? "mm" : "in";
}

/** A numeral with a real fraction: numerator over slash. Read aloud as plain text. */
function Numeral({ value, unit }: { value: Shown; unit: boolean }) {
  return (
    <Box component="span" sx={{ whiteSpace: "nowrap", position: "relative" }}>
      <span style={visuallyHidden}>{text(value)}</span>
      <span aria-hidden>
        {value.sign}
        {value.whole}
        {value.numerator && (
          <Box component="span" sx={{ ml: "0.1em" }}>
            <Box component="sup" sx={part("0.42em")}>
              {value.numerator}
            </Box>
            ⁄
            <Box component="sub" sx={part("-0.04em")}>
              {value.denominator}
            </Box>
          </Box>
        )}
        {unit && (
          <Box component="span" sx={{ fontSize: "0.7em", ml: "0.2em" }}>
            {value.unit}
          </Box>
        )}
      </span>
    </Box>
  );
}

const part = (raise: string) => ({
  fontSize: "0.7em",
  lineHeight: 0,
  verticalAlign: raise,
});

/** A height, a thickness or, signed, a difference. */
export function Length({
  mm,
  signed = false,
  unit = true,
}: {
  mm: number;
  signed?: boolean;
  unit?: boolean;
}) {
  return <Numeral value={shown(mm, useUnit(), signed)} unit={unit} />;
}

/** ± expanded uncertainty (k = 2), rounded up to the division. */
export function PlusMinus({ u }: { u: number }) {
  return (
    <Box
      component="span"
      sx={{ color: "text.secondary", whiteSpace: "nowrap" }}
    >
      ± <Numeral value={shownU(u, useUnit())} unit={false} />
    </Box>
  );
}

/** A computed length with its ±, or the reason why there is none. */
export function ResultLength({
  result,
  signed = false,
}: {
  result: { value: number | null; u: number | null; cannot: string | null };
  signed?: boolean;
}) {
  if (result.value === null) {
    return (
      <Box
        component="span"
        sx={{ color: "text.secondary", fontSize: "0.85em" }}
      >
        {result.cannot}
      </Box>
    );
  }
  return (
    <Box component="span" sx={{ whiteSpace: "nowrap" }}>
      <Length mm={result.value} signed={signed} />{" "}
      {result.u !== null && <PlusMinus u={result.u} />}
    </Box>
  );
}
