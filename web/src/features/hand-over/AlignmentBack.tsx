import Box from "@mui/material/Box";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { v7 } from "uuid";
import { useJob, useSend } from "../../api/job";
import { currentStage } from "../../api/document";
import { liveAxles } from "../../shared/suspensions";
import { useSuspensionKinds } from "../../shared/useKinds";
import { asError, ProblemNote } from "../../shared/ProblemNote";
import { Press } from "../../shared/Press";
import { cornerWords } from "../../shared/quantity";
import { ReadWith, useReadWith } from "../../shared/ReadWith";
import { useDraft } from "../../shared/useDraft";
import { anglesOf, type Angle } from "./alignment";

/** The alignment shop's printout comes back as readings: as it came tells what the lift did, as it left what was set. */
export function AlignmentBack() {
  const d = useJob().document;
  const now = currentStage(d);
  const kinds = useSuspensionKinds();
  const send = useSend();
  const rack = useReadWith("rack");
  const round = d.walkRounds
    .filter((w) => w.stageId === now.id)
    .toSorted((a, b) => a.at.localeCompare(b.at))
    .at(-1);
  const [draft, setDraft, clear] = useDraft<Record<string, string>>(
    `alignment.${d.job.id}`,
    {},
  );
  const [problems, setProblems] = useState<Record<string, Error>>({});
  const angles = anglesOf(liveAxles(kinds, now.front.kind, now.rear.kind).rear);
  if (!round) {
    return (
      <Typography sx={{ mt: 1 }}>
        Read the heights after the work first: an angle holds at a height.
      </Typography>
    );
  }
  const store = async (only: Angle[], answers: string[]) => {
    const left = { ...draft };
    const refused: Record<string, Error> = {};
    for (const a of only) {
      const text = draft[a.key]?.trim();
      if (!text) {
        continue;
      }
      try {
        await send(
          {
            kind: "storeMeasure",
            id: v7(),
            walkRoundId: round.id,
            measure: a.measure,
            place: a.place,
            typed: text,
            over: null,
            answers,
            takenAt: new Date().toISOString(),
            supersedes: null,
            reason: null,
            instrument: "printout",
            instrumentId: rack.id,
          },
          `${a.says} ${text}`,
        );
        left[a.key] = "";
      } catch (e) {
        refused[a.key] = asError(e);
      }
    }
    setDraft(left);
    setProblems(refused);
    if (Object.values(left).every((text) => text === "")) {
      clear();
    }
  };
  return (
    <Box component="section" aria-label="Printout" sx={{ mt: 2 }}>
      <Typography variant="h2">The printout came back</Typography>
      <Typography color="text.secondary">
        In degrees. Top rearward, top outward and front edges inward are above
        zero. What is left empty stays unread.
      </Typography>
      <Box sx={{ maxWidth: 260, mt: 1 }}>
        <ReadWith with={rack} label="Measured on" />
      </Box>
      <Box
        component="table"
        aria-label="Angles of the printout"
        sx={{
          borderCollapse: "collapse",
          width: "100%",
          my: 1,
          "& th": { textAlign: "left", fontWeight: 400, pr: 1 },
          "& td": { p: 0.25, verticalAlign: "top" },
        }}
      >
        <thead>
          <tr>
            <th scope="col">Angle</th>
            <th scope="col">As it came</th>
            <th scope="col">As it left</th>
          </tr>
        </thead>
        <tbody>
          {angles.map(([came, leftIt]) => (
            <tr key={came.key}>
              <th scope="row">
                {came.title}, {(cornerWords[came.place] ?? "").toLowerCase()}
              </th>
              {[came, leftIt].map((a) => (
                <td key={a.key}>
                  <TextField
                    size="small"
                    value={draft[a.key] ?? ""}
                    error={!!problems[a.key]}
                    slotProps={{
                      htmlInput: { "aria-label": a.says, inputMode: "decimal" },
                    }}
                    onChange={(e) => {
                      setDraft({ ...draft, [a.key]: e.target.value });
                    }}
                  />
                  <ProblemNote
                    problem={problems[a.key] ?? null}
                    onChoose={(choice) => void store([a], [choice])}
                  />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </Box>
      <Press variant="outlined" act={() => store(angles.flat(), [])}>
        Store what it says
      </Press>
    </Box>
  );
}
