import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import {
  doubtText,
  instrumentWords,
  stateText,
  todayHere,
} from "../../shared/instruments";
import { useUnit } from "../../shared/Length";
import { Press } from "../../shared/Press";
import { ProblemNote } from "../../shared/ProblemNote";
import { quantityText } from "../../shared/quantity";
import { dayText } from "../../shared/time";
import { CheckForm } from "./CheckForm";
import { InstrumentForm } from "./InstrumentForm";
import { MishapForm } from "./MishapForm";
import { useShopSend } from "./useShopSend";

/** One instrument: what it errs by, whether it is doubted, and what was read with it meanwhile. */
export function InstrumentLine({ view }: { view: Schemas["InstrumentView"] }) {
  const unit = useUnit();
  const { send, problem } = useShopSend();
  const [open, setOpen] = useState<"check" | "mishap" | "edit" | null>(null);
  const { instrument: it } = view;
  const doubt = doubtText(view, todayHere());
  const close = () => {
    setOpen(null);
  };
  const drop = (noteId: string) =>
    send({ kind: "dropInstrumentNote", id: it.id, noteId });
  return (
    <Box
      component="li"
      aria-label={it.name}
      sx={{ borderTop: 1, borderColor: "divider", py: 1.25 }}
    >
      <Box
        sx={{
          display: "flex",
          flexWrap: "wrap",
          columnGap: 2,
          rowGap: 0.5,
          alignItems: "baseline",
        }}
      >
        <Typography
          component="h2"
          sx={{ fontSize: "1.15rem", fontWeight: 700 }}
        >
          {it.name}
        </Typography>
        <Typography color="text.secondary">
          {instrumentWords[it.kind]}
          {it.serial && ` ${it.serial}`}
        </Typography>
        <Typography sx={{ flex: "1 1 260px" }}>
          {stateText(view, unit)}
          {view.dueOn && !doubt && `; due ${dayText(view.dueOn)}`}
        </Typography>
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 0.5 }}>
          <Button
            size="small"
            variant={doubt ? "contained" : "outlined"}
            aria-label={`Check it: ${it.name}`}
            onClick={() => {
              setOpen("check");
            }}
          >
            Check it
          </Button>
          <Button
            size="small"
            color="inherit"
            aria-label={`It fell: ${it.name}`}
            onClick={() => {
              setOpen("mishap");
            }}
          >
            It fell
          </Button>
          <Button
            size="small"
            color="inherit"
            aria-label={`Change: ${it.name}`}
            onClick={() => {
              setOpen("edit");
            }}
          >
            Change
          </Button>
        </Box>
      </Box>
      {doubt && (
        <Typography color="warning.main" sx={{ fontWeight: 600 }}>
          ▲ {doubt}
        </Typography>
      )}
      {view.since.length > 0 && (
        <Typography>
          Read with it since:{" "}
          {view.since.map((s, i) => (
            <span key={s.jobId}>
              {i > 0 && ", "}
              <Link to={`/jobs/${s.jobId}`}>{s.vehicle}</Link>
            </span>
          ))}
        </Typography>
      )}
      {open === "check" && <CheckForm view={view} onDone={close} />}
      {open === "mishap" && <MishapForm view={view} onDone={close} />}
      {open === "edit" && <InstrumentForm of={view} onDone={close} />}
      <ProblemNote problem={problem} />
      {it.checks.length + it.mishaps.length > 0 && (
        <details>
          <summary>
            {it.checks.length === 1
              ? "One check"
              : `${it.checks.length.toString()} checks`}
            {it.mishaps.length > 0 && `, and what happened to it`}
          </summary>
          <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
            {it.mishaps.toReversed().map((m) => (
              <li key={m.id}>
                {dayText(m.at.slice(0, 10))}: {m.what}{" "}
                <Press
                  size="small"
                  color="inherit"
                  aria-label={`Take back: ${m.what}`}
                  act={() => drop(m.id)}
                >
                  Take back
                </Press>
              </li>
            ))}
            {it.checks.toReversed().map((c) => (
              <li key={c.id}>
                {dayText(c.on)}: {quantityText(c.said)} for{" "}
                {quantityText(c.truth)}, against {c.against}{" "}
                <Press
                  size="small"
                  color="inherit"
                  aria-label={`Take back: check of ${dayText(c.on)}`}
                  act={() => drop(c.id)}
                >
                  Take back
                </Press>
              </li>
            ))}
          </Box>
        </details>
      )}
    </Box>
  );
}
