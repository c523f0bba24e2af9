import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import { outbox, useJob, useOutbox } from "../../api/job";
import type { Letter, Refused } from "../../api/letters";
import { stacksOf } from "../../api/waitingPlans";
import { Both } from "../../shared/BothWays";
import { useUnit } from "../../shared/Length";
import { keepDraft } from "../../shared/useDraft";
import { useParts } from "../../shared/useParts";
import { planLines } from "../plans/stacks";
import { bothSay, saidBy, versionsNow } from "./refused";

/** Puts what was typed back into the field of its station, as it was typed. */
function putBack(letter: Letter) {
  const c = letter.command;
  if (c.kind === "storeReading" && c.station !== null) {
    keepDraft(`reading.${c.walkRoundId}.${c.station}`, c.typed);
  }
  outbox.dismiss(letter.commandId);
}

/** What the server refused after the person had gone on: nothing typed is lost. */
export function RefusedLetters({ job }: { job: string }) {
  const { refused } = useOutbox();
  const mine = refused.filter((r) => r.letter.job === job);
  return mine.map((r) =>
    r.first ? (
      <ChangedFirst key={r.letter.commandId} refused={r} first={r.first} />
    ) : (
      <NotStored key={r.letter.commandId} refused={r} />
    ),
  );
}

/** Somebody else was first while this waited on the device: both, and the choice. */
function ChangedFirst({
  refused,
  first,
}: {
  refused: Refused;
  first: NonNullable<Refused["first"]>;
}) {
  const view = useJob();
  const unit = useUnit();
  const parts = (useParts().data ?? []).map((p) => p.part);
  const { letter } = refused;
  const c = letter.command;
  const d = view.document;
  const plan = first.theirs as Schemas["Plan"];
  const both =
    c.kind === "savePlan"
      ? {
          mine: planLines(c.name, stacksOf(c.stacks, d, d.plans, parts), unit),
          theirs: planLines(plan.name, plan.stacks, unit),
        }
      : bothSay(letter, first.theirs);
  return (
    <Box sx={{ mb: 1 }}>
      <Both
        by={first.by}
        at={first.at}
        about={letter.says}
        mine={both.mine}
        theirs={both.theirs}
        onTheirs={() => {
          outbox.dismiss(letter.commandId);
        }}
        // A second refusal comes back here.
        onMine={() =>
          outbox.insist(refused, versionsNow(letter, first.theirs, view))
        }
      />
    </Box>
  );
}

function NotStored({ refused: { letter, reason } }: { refused: Refused }) {
  // A reading is named by what was read.
  const said =
    letter.command.kind === "storeReading" ? "" : saidBy(letter.command);
  return (
    <Box
      role="alert"
      sx={{ border: 2, borderColor: "error.main", p: 1, mb: 1 }}
    >
      ■ Not stored: {letter.says}. {reason}
      {/* Until it was seen it can be taken from here to where it belongs. */}
      {said !== "" && <Box sx={{ mt: 0.5 }}>It said: {said}</Box>}
      {letter.command.kind === "storeReading" &&
        letter.command.station !== null && (
          <Button
            component={Link}
            to={`/jobs/${letter.job}/walk-round`}
            onClick={() => {
              putBack(letter);
            }}
          >
            Put it right
          </Button>
        )}
      <Button
        onClick={() => {
          outbox.dismiss(letter.commandId);
        }}
      >
        Seen
      </Button>
    </Box>
  );
}
