import Box from "@mui/material/Box";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { v7 } from "uuid";
import { Press } from "../../shared/Press";
import type { Schemas } from "../../api/client";
import { useJob, useSend } from "../../api/job";
import { Length, ResultLength, useUnit } from "../../shared/Length";
import { inMm } from "../../shared/length";
import { asError, at, ProblemNote } from "../../shared/ProblemNote";
import { typed } from "../../shared/quantity";
import { useDraft } from "../../shared/useDraft";

const says: Record<Schemas["ToldBy"], string> = {
  owner: "The owner says",
  maker: "The maker says",
  anotherShop: "Another shop says",
  somebodyElse: "Somebody says",
};

interface Draft {
  axle: Schemas["Axle"];
  by: Schemas["ToldBy"];
  gain: string;
}

const empty: Draft = { axle: "front", by: "owner", gain: "" };

/** What people say how far it came up, beside the tape. It decides nothing. */
export function ToldGains() {
  const view = useJob();
  const send = useSend();
  const unit = useUnit();
  const { job } = view.document;
  const [draft, setDraft, clear] = useDraft<Draft>(`told:${job.id}`, empty);
  const [problem, setProblem] = useState<Error | null>(null);
  const keep = async () => {
    setProblem(null);
    try {
      await send(
        {
          kind: "noteToldGain",
          id: v7(),
          axle: draft.axle,
          by: draft.by,
          gain: typed(draft.gain, unit, "told") ?? {
            typed: "",
            unit,
            known: "told",
            answers: [],
          },
        },
        "how far they say that it came up",
      );
      clear();
    } catch (e) {
      setProblem(asError(e));
    }
  };
  return (
    <Box component="section" aria-label="What people say" sx={{ mt: 2 }}>
      {job.toldGains.map((t) => {
        const compared = view.results.told.find((c) => c.toldId === t.id);
        return (
          <Typography key={t.id}>
            {compared?.agrees === false ? "▲" : "○"} {says[t.by]} that the{" "}
            {t.axle} came up <Length mm={inMm(t.gain)} />
            {compared?.measured.value != null ? (
              <>
                ; the tape says{" "}
                <ResultLength result={compared.measured} signed />
                {compared.agrees === false
                  ? ". They do not agree: the tape counts."
                  : ". Both can be true."}
              </>
            ) : (
              `. ${compared?.measured.cannot ?? ""}`
            )}
          </Typography>
        );
      })}
      <details>
        <summary style={{ padding: "10px 0", fontWeight: 650 }}>
          Somebody says how far it came up
        </summary>
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, mt: 1 }}>
          <TextField
            select
            label="Who"
            value={draft.by}
            onChange={(e) => {
              setDraft({ ...draft, by: e.target.value as Schemas["ToldBy"] });
            }}
            fullWidth={false}
            sx={{ minWidth: 190 }}
          >
            {(Object.keys(says) as Schemas["ToldBy"][]).map((by) => (
              <MenuItem key={by} value={by}>
                {says[by]}
              </MenuItem>
            ))}
          </TextField>
          <TextField
            select
            label="Which end"
            value={draft.axle}
            onChange={(e) => {
              setDraft({ ...draft, axle: e.target.value as Schemas["Axle"] });
            }}
            fullWidth={false}
            sx={{ minWidth: 120 }}
          >
            <MenuItem value="front">front</MenuItem>
            <MenuItem value="rear">rear</MenuItem>
          </TextField>
          <TextField
            label={`By, ${unit}`}
            value={draft.gain}
            onChange={(e) => {
              setDraft({ ...draft, gain: e.target.value });
            }}
            {...at(problem, "gain")}
            fullWidth={false}
            sx={{ width: 140 }}
          />
          <Press variant="outlined" act={() => keep()}>
            Keep what they say
          </Press>
        </Box>
        {!at(problem, "gain").error && <ProblemNote problem={problem} />}
      </details>
    </Box>
  );
}
