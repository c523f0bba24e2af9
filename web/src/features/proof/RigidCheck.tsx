import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import type { Schemas } from "../../api/client";
import { Length, ResultLength } from "../../shared/Length";
import { cornerWords } from "../../shared/quantity";

/** Is the body rigid? A reading that does not fit is named only when it leads clearly. */
export function RigidCheck({
  comparison,
}: {
  comparison: Schemas["Comparison"];
}) {
  const rigid = comparison.rigid;
  const suspect = rigid?.stations.find((s) => s.station === rigid.suspects[0]);
  return (
    <Box component="section" sx={{ mt: 2 }}>
      <Typography variant="h2">Do the readings fit a stiff body?</Typography>
      {rigid?.verdict === "fits" && (
        <Typography>
          ● Yes. The largest gap is{" "}
          <Length
            mm={Math.max(...rigid.stations.map((s) => Math.abs(s.residualMm)))}
          />
          , no more than the tape allows.
        </Typography>
      )}
      {rigid?.verdict === "named" && suspect && (
        <Typography sx={{ color: "warning.main", fontWeight: 650 }}>
          ▲ {cornerWords[suspect.station] ?? suspect.station} does not fit: by
          the others it should have risen{" "}
          {suspect.leftOutMm !== null && <Length mm={suspect.leftOutMm} />}, it
          reads{" "}
          <Length
            mm={
              comparison.rises.find((r) => r.station === suspect.station)?.rise
                .value ?? 0
            }
          />
          . Read it again.
        </Typography>
      )}
      {rigid?.verdict === "candidates" && (
        <Typography sx={{ color: "warning.main", fontWeight: 650 }}>
          ▲ Something is off. It could be{" "}
          {rigid.suspects.map((s) => cornerWords[s] ?? s).join(" or ")}: read
          them again.
        </Typography>
      )}
      {rigid?.verdict === "cannotTell" && (
        <Typography sx={{ color: "warning.main", fontWeight: 650 }}>
          ▲ The corners are twisted by{" "}
          <ResultLength result={comparison.warp} signed />. Four corners cannot
          tell which; read the door handles.
        </Typography>
      )}
      {comparison.notes.map((n) => (
        <Typography key={n} color="text.secondary">
          {n}
        </Typography>
      ))}
    </Box>
  );
}
