import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Link from "@mui/material/Link";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Link as To } from "react-router";
import type { Schemas } from "../../api/client";
import { useJob, useMe, useSend } from "../../api/job";
import { Press } from "../../shared/Press";
import { asError, at, ProblemNote } from "../../shared/ProblemNote";
import { useDraft } from "../../shared/useDraft";
import { due, overdue, wordsTo } from "./due";
import { Settles } from "./Settles";

/** What is to come after the hand-over, what of it is done, and how it settles. */
export function FollowUps() {
  const d = useJob().document;
  const open = d.followUps.filter((f) => !f.doneAt);
  const done = d.followUps.filter((f) => f.doneAt);
  return (
    <>
      <Typography sx={{ mt: 1 }}>
        {open.length > 0 ? "To come:" : "Nothing is to come any more."}
      </Typography>
      <Box component="ul" sx={{ listStyle: "none", p: 0 }}>
        {open
          .toSorted((a, b) => (a.dueOn ?? "9").localeCompare(b.dueOn ?? "9"))
          .map((f) => (
            <ToCome key={f.id} f={f} />
          ))}
        {done.map((f) => (
          <Box component="li" key={f.id} sx={{ my: 0.5 }}>
            ✓ <b>{f.what}</b>
            <Box sx={{ color: "text.secondary" }}>
              {due(f)}. {f.note ?? f.why}
            </Box>
          </Box>
        ))}
      </Box>
      <Settles />
    </>
  );
}

function ToCome({ f }: { f: Schemas["FollowUp"] }) {
  const d = useJob().document;
  const send = useSend();
  const me = useMe().data;
  const [note, setNote, clear] = useDraft(`follow-up.${f.id}`, "");
  const [words, setWords] = useState(false);
  const [problem, setProblem] = useState<Error | null>(null);
  const done = async () => {
    setProblem(null);
    try {
      await send(
        { kind: "finishFollowUp", id: f.id, note: note.trim() || null },
        f.what,
      );
      clear();
    } catch (e) {
      setProblem(asError(e));
    }
  };
  const late = overdue(f);
  return (
    <Box
      component="li"
      sx={{ borderTop: 1, borderColor: "divider", py: 1, my: 0 }}
    >
      <Box sx={{ color: late ? "warning.main" : undefined }}>
        {late ? "▲ Overdue: " : "○ "}
        <b>{f.what}</b>
      </Box>
      <Box sx={{ color: "text.secondary" }}>
        {due(f)}. {f.why}
      </Box>
      <Box
        sx={{
          display: "flex",
          flexWrap: "wrap",
          gap: 1,
          alignItems: "center",
          mt: 0.5,
        }}
      >
        <TextField
          size="small"
          label="What came of it"
          value={note}
          onChange={(e) => {
            setNote(e.target.value);
          }}
          {...at(problem, "note")}
          slotProps={{
            htmlInput: { "aria-label": `What came of it: ${f.what}` },
          }}
          sx={{ flex: "1 1 160px" }}
        />
        <Press
          variant="outlined"
          aria-label={`Done: ${f.what}`}
          act={() => done()}
        >
          Done
        </Press>
        <Button
          aria-expanded={words}
          aria-label={`Words to the owner: ${f.what}`}
          onClick={() => {
            setWords(!words);
          }}
        >
          Words to the owner
        </Button>
        <Link component={To} to={`/jobs/${d.job.id}/walk-round`}>
          Walk round
        </Link>
      </Box>
      {words && (
        <TextField
          label={d.owner.contact ?? "No contact is noted"}
          multiline
          fullWidth
          value={wordsTo(d, f, me?.name ?? "")}
          helperText="Copy it, or call: nothing is sent from here."
          slotProps={{ htmlInput: { readOnly: true } }}
          onFocus={(e) => {
            e.target.select();
          }}
          sx={{ mt: 1 }}
        />
      )}
      {!at(problem, "note").error && <ProblemNote problem={problem} />}
    </Box>
  );
}
