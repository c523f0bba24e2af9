import Box from "@mui/material/Box";
import type { Schemas } from "../../api/client";
import { useUnit } from "../../shared/Length";
import { showText } from "../../shared/length";

/** What a stack does to the joints and the hose of its corner, as far as it can be told. */
export function CornerFigures({
  outlook: o,
}: {
  outlook: Schemas["CornerOutlook"];
}) {
  const unit = useUnit();
  const degrees = (r: Schemas["Result"]) =>
    r.value === null ? null : `${Math.abs(r.value).toFixed(1)}°`;
  const pair = (ride: Schemas["Result"], droop: Schemas["Result"]) =>
    [
      degrees(ride) && `${degrees(ride) ?? ""} at ride`,
      degrees(droop) && `${degrees(droop) ?? ""} at full droop`,
    ]
      .filter(Boolean)
      .join(", ");
  const slack = (mm: number | null) =>
    mm === null
      ? ""
      : mm < 0
        ? `${showText(-mm, unit)} too short`
        : showText(mm, unit);
  const rows = [
    ["CV joints", pair(o.cvRide, o.cvDroop)],
    ["Ball joint swings", pair(o.ballJointRide, o.ballJoint)],
    ["Hose slack", slack(o.hoseSlack.value)],
  ].filter(([, said]) => said);
  return rows.length === 0 ? null : (
    <Box component="dl" sx={{ m: 0, px: 1, pb: 1, fontSize: "0.82rem" }}>
      {rows.map(([what, said]) => (
        <Box key={what} sx={{ mt: 0.5 }}>
          <Box component="dt" sx={{ color: "text.secondary" }}>
            {what}
          </Box>
          <Box component="dd" sx={{ m: 0, fontWeight: 600 }}>
            {said}
          </Box>
        </Box>
      ))}
    </Box>
  );
}
