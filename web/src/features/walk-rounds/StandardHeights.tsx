import Box from "@mui/material/Box";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { v7 } from "uuid";
import { Press } from "../../shared/Press";
import type { Schemas } from "../../api/client";
import { useJob, useSend } from "../../api/job";
import { useUnit } from "../../shared/Length";
import { asError, ProblemNote } from "../../shared/ProblemNote";
import { typed } from "../../shared/quantity";
import { lips, stationWords } from "./reading/useEntry";

/** Heights of the vehicle as it left the works, where a document gives them: a stage that informs and decides nothing. */
export function StandardHeights() {
  const d = useJob().document;
  const send = useSend();
  const unit = useUnit();
  const [heights, setHeights] = useState<Record<string, string>>({});
  const [datum, setDatum] = useState<Schemas["Datum"]>("hub");
  const [source, setSource] = useState("");
  const [problem, setProblem] = useState<Error | null>(null);
  if (d.stages.some((s) => s.ordinal < 0)) {
    return null;
  }
  const keep = async () => {
    setProblem(null);
    try {
      await send(
        {
          kind: "noteStandard",
          stageId: v7(),
          walkRoundId: v7(),
          datum,
          heights: lips.flatMap((station) => {
            const height = typed(heights[station] ?? "", unit, "document");
            return height ? [{ id: v7(), station, height }] : [];
          }),
          source,
        },
        "the standard heights",
      );
    } catch (e) {
      setProblem(asError(e));
    }
  };
  return (
    <Box component="details" sx={{ mt: 3 }}>
      <Typography component="summary" sx={{ py: 1.25, fontWeight: 650 }}>
        Standard heights are known
      </Typography>
      <Typography sx={{ mb: 1.25, maxWidth: 640 }}>
        From the maker’s or the shop’s own documents. They show how far it has
        sagged or been lifted; being from paper, no verdict rests on them.
      </Typography>
      <Box
        sx={{
          display: "grid",
          gap: 1.25,
          gridTemplateColumns: "1fr 1fr",
          maxWidth: 420,
        }}
      >
        {lips.map((station) => (
          <TextField
            key={station}
            label={`${stationWords(station)}, ${unit}`}
            value={heights[station] ?? ""}
            onChange={(e) => {
              setHeights({ ...heights, [station]: e.target.value });
            }}
          />
        ))}
        <TextField
          select
          label="Measured from"
          value={datum}
          onChange={(e) => {
            setDatum(e.target.value as Schemas["Datum"]);
          }}
        >
          <MenuItem value="hub">hub centre</MenuItem>
          <MenuItem value="floor">floor</MenuItem>
        </TextField>
        <TextField
          label="From which document"
          value={source}
          onChange={(e) => {
            setSource(e.target.value);
          }}
        />
      </Box>
      <ProblemNote problem={problem} />
      <Press variant="outlined" sx={{ mt: 1 }} act={() => keep()}>
        Keep the standard heights
      </Press>
    </Box>
  );
}
