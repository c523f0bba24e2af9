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
          {oddsSays(rigid.anySlipped)} that a reading slipped, {shares(rigid)}.{" "}
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
          {oddsSays(rigid.anySlipped)}). If one did, {shares(rigid)}: read{" "}
          {(cornerWords[suspect.station] ?? suspect.station).toLowerCase()} once
          more.
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

/** Which reading it was, if one slipped: the stations that may well be it, each with its share. */
function shares(rigid: Schemas["RigidBody"]): string {
  const suspects = (rigid.suspects ?? []).map((name) => ({
    said: (cornerWords[name] ?? name).toLowerCase(),
    share: oddsSays(rigid.stations.find((s) => s.station === name)?.ifOne ?? 0),
  }));
  return suspects.length === 1
    ? `${suspects[0]?.share ?? ""} that it was this one`
    : `then it was ${suspects.map((s) => `${s.said} (${s.share})`).join(" or ")}`;
}
