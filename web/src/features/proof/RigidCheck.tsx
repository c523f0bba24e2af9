import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import type { Schemas } from "../../api/client";
import { Length, ResultLength } from "../../shared/Length";
import { oddsSays } from "../../shared/chance";
import { cornerWords } from "../../shared/quantity";

/** Is the body rigid? How likely a reading slipped, and which one it then was. */
export function RigidCheck({
  comparison,
}: {
  comparison: Schemas["Comparison"];
}) {
  const rigid = comparison.rigid;
  const suspect = rigid?.stations.find((s) => s.station === rigid.readAgain);
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
      {rigid?.verdict === "slipped" && suspect && (
        <Typography sx={{ color: "warning.main", fontWeight: 650 }}>
          ▲ {cornerWords[suspect.station] ?? suspect.station} does not fit:{" "}
          {oddsSays(rigid.anySlipped)} that a reading slipped, and then it was{" "}
          {shares(rigid)}.{" "}
          {suspect.leftOutMm !== null && (
            <>
              By the others it should have risen{" "}
              <Length mm={suspect.leftOutMm} />, it reads{" "}
              <Length
                mm={
                  comparison.rises.find((r) => r.station === suspect.station)
                    ?.rise.value ?? 0
                }
              />
              .{" "}
            </>
          )}
          Read it again.
        </Typography>
      )}
      {rigid?.verdict === "doubtful" && suspect && (
        <Typography>
          ○ The largest gap is{" "}
          <Length
            mm={Math.max(...rigid.stations.map((s) => Math.abs(s.residualMm)))}
          />
          , more than the tape usually leaves, yet a slip is unlikely (
          {oddsSays(rigid.anySlipped)}). If one slipped it was {shares(rigid)}:
          read {cornerWords[suspect.station] ?? suspect.station} once more.
        </Typography>
      )}
      {rigid?.verdict === "cannotTell" && (
        <Typography sx={{ color: "warning.main", fontWeight: 650 }}>
          {rigid.stations.length < 4 ? (
            "▲ The stations of that side do not lie on one line. Three cannot tell which; read the other side too."
          ) : (
            <>
              ▲ The corners are twisted by{" "}
              <ResultLength result={comparison.warp} signed /> (
              {oddsSays(rigid.anySlipped)} that a reading slipped). Four corners
              cannot tell which; read the door handles.
            </>
          )}
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

/** The stations that may well have slipped, each with its share. */
const shares = (rigid: Schemas["RigidBody"]) =>
  (rigid.suspects ?? [])
    .map((name) => {
      const it = rigid.stations.find((s) => s.station === name);
      return `${cornerWords[name] ?? name} (${oddsSays(it?.ifOne ?? 0)})`;
    })
    .join(" or ");
