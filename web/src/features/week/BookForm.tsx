import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Link from "@mui/material/Link";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Link as To } from "react-router";
import type { Schemas } from "../../api/client";
import { Problem } from "../../api/problem";
import { Both, type Lines } from "../../shared/BothWays";
import { Press } from "../../shared/Press";
import { at, ProblemNote } from "../../shared/ProblemNote";
import { retyped, typed } from "../../shared/quantity";
import { clock, dayText, minuteOf } from "../../shared/time";
import { waitsSay } from "../yard/waits";
import type { useBooking } from "./useWeek";
import type { Block, View, Waiting } from "./week";

const isSaid = (says: string | null | undefined): says is string =>
  typeof says === "string";

interface Text {
  bay: string;
  day: string;
  from: string;
  leads: string;
  helps: string[];
  hours: string;
}

const textOf = (b: Schemas["Booking"]): Text => ({
  bay: b.bay ?? "",
  day: b.day,
  from: clock(b.from),
  leads: b.people[0] ?? "",
  helps: b.people.slice(1),
  hours: retyped(b.hours ?? null),
});

/** Where and when one job is worked on, and by whom. */
export function BookForm({
  view,
  job,
  booked,
  booking,
  onLeave,
}: {
  view: View;
  job: Block | Waiting;
  booked: Block | null;
  booking: ReturnType<typeof useBooking>;
  onLeave: () => void;
}) {
  const { problem } = booking;
  const first = view.days.find(
    (d) => d.works && d.day >= view.now.slice(0, 10),
  );
  const [text, setText] = useState<Text>(() =>
    booked
      ? textOf(booked.booking)
      : {
          bay: view.bays[0] ?? "",
          day: first?.day ?? view.now.slice(0, 10),
          from: clock(view.hours.opens),
          leads: "",
          helps: [],
          hours: "",
        },
  );
  // What was filled in is told from what lies there now: somebody else may move it meanwhile.
  const [seen] = useState(booked?.version);
  const [moved, setMoved] = useState<string | null>(null);
  const set = (change: Partial<Text>) => {
    booking.forget();
    setText((was) => ({ ...was, ...change }));
  };
  const name = (id: string) => view.people.find((p) => p.id === id)?.name ?? "";
  const lines = (t: Text): Lines => ({
    Bay: t.bay,
    Day: t.day === "" ? "" : dayText(t.day),
    From: t.from,
    Leads: name(t.leads),
    "Lends a hand": t.helps.map(name).join(", "),
    Hours: t.hours,
  });
  const minute = minuteOf(text.from);
  const whyNot =
    text.day === ""
      ? "On which day?"
      : minute === null
        ? "From when on?"
        : null;
  const store = async (over?: number) => {
    if (whyNot !== null || minute === null) {
      setMoved(whyNot);
      return;
    }
    setMoved(null);
    if (
      await booking.book(
        job.job,
        {
          bay: text.bay === "" ? null : text.bay,
          at: { day: text.day, minute },
          people: [text.leads, ...text.helps].filter((p) => p !== ""),
          hours: typed(text.hours, "h", "told"),
        },
        `${job.name} booked`,
        // Where nothing was booked, whoever was first is not overwritten unseen.
        over ?? seen ?? 0,
      )
    ) {
      onLeave();
    }
  };
  const stale = problem instanceof Problem && problem.field === "version";
  const fields = ["bay", "day", "from", "people", "hours"];
  return (
    <Box
      component="section"
      aria-label={`Book ${job.name}`}
      sx={{ border: 2, borderColor: "primary.main", p: 1.5, my: 1 }}
    >
      <Box
        sx={{
          display: "flex",
          flexWrap: "wrap",
          gap: 1,
          alignItems: "baseline",
        }}
      >
        <Typography variant="h2">{job.name}</Typography>
        <Typography sx={{ flex: 1, minWidth: 200 }}>
          {job.facts.vehicle.make} {job.facts.vehicle.name}, {job.facts.owner}
          {job.facts.promisedOn !== null &&
            `, promised ${dayText(job.facts.promisedOn)}`}
        </Typography>
        <Link component={To} to={`/jobs/${job.job}/plan`} sx={{ py: 1 }}>
          Open the job
        </Link>
      </Box>
      <Typography>
        Takes {job.takes}.{" "}
        <Box component="span" sx={{ color: "text.secondary" }}>
          {job.by}
        </Box>
      </Typography>
      {"twoSteps" in job && job.twoSteps > 0 && (
        <Typography>
          {job.twoSteps === 1
            ? "A step needs"
            : `${job.twoSteps.toString()} steps need`}{" "}
          two people.
        </Typography>
      )}
      {"waits" in job && job.waits && (
        <Typography sx={{ fontWeight: 600 }}>
          ▲ {waitsSay(job.waits, job.facts.promisedOn)}
        </Typography>
      )}
      {[...(booked?.plan?.says ?? []), booked?.plan?.slip]
        .filter(isSaid)
        .map((s) => (
          <Typography key={s} sx={{ fontWeight: 600 }}>
            ▲ {s}
          </Typography>
        ))}
      <Box
        sx={{
          display: "grid",
          gap: 1,
          my: 1,
          alignItems: "start",
          gridTemplateColumns: "repeat(auto-fit, minmax(160px, 1fr))",
        }}
      >
        {view.bays.length > 0 && (
          <TextField
            select
            size="small"
            label="Bay"
            value={text.bay}
            onChange={(e) => {
              set({ bay: e.target.value });
            }}
            {...at(problem, "bay")}
          >
            {[...new Set([...view.bays, ...(text.bay ? [text.bay] : [])])].map(
              (b) => (
                <MenuItem key={b} value={b}>
                  {b}
                </MenuItem>
              ),
            )}
          </TextField>
        )}
        <TextField
          size="small"
          type="date"
          label="Day"
          value={text.day}
          onChange={(e) => {
            set({ day: e.target.value });
          }}
          {...at(problem, "day")}
          slotProps={{ inputLabel: { shrink: true } }}
        />
        <TextField
          size="small"
          type="time"
          label="From"
          value={text.from}
          onChange={(e) => {
            set({ from: e.target.value });
          }}
          {...at(problem, "from")}
          slotProps={{ inputLabel: { shrink: true } }}
        />
        <TextField
          select
          size="small"
          label="Leads"
          value={text.leads}
          onChange={(e) => {
            set({
              leads: e.target.value,
              helps: text.helps.filter((h) => h !== e.target.value),
            });
          }}
          {...at(problem, "people")}
        >
          <MenuItem value="">nobody yet</MenuItem>
          {view.people.map((p) => (
            <MenuItem key={p.id} value={p.id}>
              {p.name}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          select
          size="small"
          label="Lends a hand"
          value={text.helps}
          disabled={text.leads === ""}
          onChange={(e) => {
            set({ helps: e.target.value as unknown as string[] });
          }}
          slotProps={{ select: { multiple: true } }}
        >
          {view.people
            .filter((p) => p.id !== text.leads)
            .map((p) => (
              <MenuItem key={p.id} value={p.id}>
                {p.name}
              </MenuItem>
            ))}
        </TextField>
        <TextField
          size="small"
          label="Hours, own word"
          placeholder="as above"
          value={text.hours}
          onChange={(e) => {
            set({ hours: e.target.value });
          }}
          {...at(problem, "hours")}
          slotProps={{ inputLabel: { shrink: true } }}
        />
      </Box>
      {stale && booked ? (
        <Both
          by={problem.by}
          at={problem.at}
          mine={lines(text)}
          theirs={lines(textOf(booked.booking))}
          onTheirs={() => {
            booking.forget();
            onLeave();
          }}
          onMine={() => store(booked.version)}
        />
      ) : (
        !fields.some((f) => at(problem, f).error) && (
          <ProblemNote problem={problem} />
        )
      )}
      <Typography role="alert" color="error">
        {moved}
      </Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}>
        <Press variant="contained" act={() => store()}>
          {booked ? "Book it so" : "Book it"}
        </Press>
        {booked && (
          <Press
            variant="outlined"
            act={async () => {
              if (
                await booking.cancel(
                  job.job,
                  seen ?? booked.version,
                  `${job.name} taken out of the week`,
                )
              ) {
                onLeave();
              }
            }}
          >
            Take it out of the week
          </Press>
        )}
        <Button
          onClick={() => {
            booking.forget();
            onLeave();
          }}
        >
          Leave it
        </Button>
      </Box>
    </Box>
  );
}
