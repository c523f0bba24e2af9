import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Link from "@mui/material/Link";
import Typography from "@mui/material/Typography";
import useMediaQuery from "@mui/material/useMediaQuery";
import { useTheme } from "@mui/material/styles";
import { Link as To, useSearchParams } from "react-router";
import { useState } from "react";
import { NeedsNetwork } from "../../shared/NeedsNetwork";
import { Paper } from "../../shared/Paper";
import { Press } from "../../shared/Press";
import { PrintButton } from "../../shared/PrintButton";
import { HeldLabel } from "../../shared/HeldLabel";
import { useDrag } from "../../shared/useDrag";
import { ProblemNote } from "../../shared/ProblemNote";
import { retyped, typed } from "../../shared/quantity";
import { clock, dayText, weekdayText } from "../../shared/time";
import { waitsSay } from "../yard/waits";
import { BookForm } from "./BookForm";
import { Lanes, targetAt } from "./Lanes";
import { useBooking, useWeek } from "./useWeek";
import { later, moved, type Moment, type View } from "./week";
import { WeekList } from "./WeekList";

/** Bays and people over the days of a week. */
export default function WeekView() {
  const [params] = useSearchParams();
  const week = useWeek(params.get("from"));
  if (week.isError) {
    return <NeedsNetwork why={week.error} />;
  }
  return week.data ? <Shown view={week.data} /> : null;
}

function Shown({ view }: { view: View }) {
  const wide = useMediaQuery(useTheme().breakpoints.up("md"));
  const booking = useBooking(view);
  const [chosen, setChosen] = useState<string | null>(null);
  const booked = view.jobs.find((b) => b.job === chosen) ?? null;
  const job = booked ?? view.waiting.find((w) => w.job === chosen) ?? null;
  const monday = view.days[0]?.day ?? "";
  const sunday = view.days[6]?.day ?? "";
  const move = (id: string, bay: string | null, to: Moment) => {
    const there = view.jobs.find((b) => b.job === id)?.booking;
    const name = [...view.jobs, ...view.waiting].find(
      (j) => j.job === id,
    )?.name;
    setChosen(null);
    void booking
      .book(
        id,
        {
          bay,
          at: to,
          people: there?.people ?? [],
          hours: there?.hours
            ? typed(retyped(there.hours), there.hours.unit, there.hours.known)
            : null,
        },
        `${name ?? ""} ${there ? "moved" : "booked"} to ${weekdayText(to.day)}, ${clock(to.minute)}${bay === null ? "" : `, ${bay}`}`,
      )
      .then((stored) => {
        // Who is on it is still to be said.
        if (stored && !there) {
          setChosen((now) => now ?? id);
        }
      });
  };
  // How far from its left end it was taken hold of, px: there it stays in the hand.
  const [taken, setTaken] = useState(0);
  const { held, grip } = useDrag<string>({
    over: () => undefined,
    drop: (id, _, at) => {
      const to = targetAt(at, taken, view);
      if (to) {
        move(id, to.bay, to.at);
      }
    },
  });
  const hold = (id: string, name: string) => {
    const its = grip(id, name);
    return {
      ...its,
      "data-grip": name,
      onPointerDown: (e: React.PointerEvent<HTMLElement>) => {
        setTaken(
          // From the list it is held where it stands in the lane: at its beginning.
          view.jobs.some((b) => b.job === id)
            ? e.clientX - e.currentTarget.getBoundingClientRect().left
            : 0,
        );
        its.onPointerDown(e);
      },
    };
  };
  const wrong = view.jobs.filter((b) => (b.plan?.says.length ?? 0) > 0);
  return (
    <Box
      component="main"
      sx={{ px: { xs: 1, sm: 3 }, py: 2, "--name": "132px" }}
    >
      <Box className="no-print">
        <Box
          sx={{
            display: "flex",
            flexWrap: "wrap",
            gap: 1,
            alignItems: "center",
          }}
        >
          <Typography variant="h1" sx={{ flex: 1, minWidth: 240 }}>
            Week of {dayText(monday)}
          </Typography>
          <Button component={To} to={`?from=${later(monday, -7)}`}>
            ← Week before
          </Button>
          <Button component={To} to="/week">
            This week
          </Button>
          <Button component={To} to={`?from=${later(monday, 7)}`}>
            Week after →
          </Button>
          <PrintButton />
        </Box>
        <Typography color="text.secondary" sx={{ mb: 1 }}>
          {view.paceSays}
          {view.elsewhere > 0 &&
            ` ${view.elsewhere.toString()} booked in other weeks.`}
        </Typography>
        {job === null && wrong.length > 0 && (
          <Box component="ul" sx={{ m: 0, mb: 1, p: 0, listStyle: "none" }}>
            {wrong.map((b) => (
              <li key={b.job}>
                ▲ <b>{b.name}</b>: {b.plan?.says.join(" ")}
              </li>
            ))}
          </Box>
        )}
        {view.bays.length === 0 && (
          <Typography sx={{ mb: 1 }}>
            The shop has named no bays: every vehicle stands on one line.{" "}
            <Link component={To} to="/shop">
              Name the bays
            </Link>
          </Typography>
        )}
        {booking.done && (
          <Typography role="status" sx={{ mb: 1 }}>
            ✓ {booking.done.says}.{" "}
            {booking.done.command !== null && (
              <Press
                size="small"
                act={() =>
                  booking.done
                    ? booking.takeBack(booking.done)
                    : Promise.resolve()
                }
              >
                Undo
              </Press>
            )}
          </Typography>
        )}
        {job === null && <ProblemNote problem={booking.problem} />}
        {job !== null && (
          <BookForm
            key={job.job}
            view={view}
            job={job}
            booked={booked}
            booking={booking}
            onLeave={() => {
              // Whoever opened another one meanwhile keeps it.
              setChosen((now) => (now === job.job ? null : now));
            }}
          />
        )}
        {wide ? (
          <Lanes
            view={view}
            acts={{
              chosen,
              onChoose: setChosen,
              hold,
              puts: booking.puts,
              carried: held && targetAt(held, taken, view),
              onNudge: (b, minutes, bays) => {
                if (b.doneAt !== null) {
                  setChosen(b.job);
                  return;
                }
                const there = booking.puts[b.job] ?? {
                  bay: b.booking.bay,
                  at: { day: b.booking.day, minute: b.booking.from },
                };
                const at = view.bays.indexOf(there.bay ?? "");
                const bay =
                  bays === 0 || at < 0
                    ? there.bay
                    : (view.bays[at + bays] ?? there.bay);
                move(b.job, bay, moved(there.at, minutes, view.hours));
              },
            }}
          />
        ) : (
          <WeekList view={view} onChoose={setChosen} />
        )}
        {wide && view.jobs.length > 0 && (
          <Typography
            color="text.secondary"
            sx={{ fontSize: "0.9rem", mt: 0.5 }}
          >
            Drag a vehicle to another time or bay, or move it with Shift and the
            arrow keys. Hatched: one time in ten it takes longer still.
          </Typography>
        )}
        <Places
          view={view}
          chosen={chosen}
          onChoose={setChosen}
          // Where there is no bay to drag to, a finger scrolls.
          hold={wide ? hold : () => ({})}
        />
        <HeldLabel held={held} />
      </Box>
      <Box sx={{ display: "none", "@media print": { display: "block" } }}>
        <Paper title="The week on paper" sx={{ width: "100%" }}>
          <Typography variant="h2">
            Week of {dayText(monday)} to {dayText(sunday)}
          </Typography>
          <WeekList view={view} />
          {view.waiting.length > 0 && (
            <p>
              Not booked yet: {view.waiting.map((w) => w.name).join(", ")}
              {view.more && " and more"}
            </p>
          )}
        </Paper>
      </Box>
    </Box>
  );
}

/** Vehicles that wait for a place. */
function Places({
  view,
  chosen,
  onChoose,
  hold,
}: {
  view: View;
  chosen: string | null;
  onChoose: (job: string) => void;
  hold: (job: string, name: string) => object;
}) {
  return (
    <Box component="section" aria-label="Not booked yet" sx={{ mt: 2 }}>
      <Typography variant="h2">Not booked yet</Typography>
      {view.waiting.length === 0 && (
        <Typography>
          {view.jobs.length + view.elsewhere === 0
            ? "No job is open. Take in a vehicle in the yard, then give it its place here."
            : "Every open job has its place."}
        </Typography>
      )}
      <Box
        component="ul"
        sx={{
          m: 0,
          p: 0,
          listStyle: "none",
          display: "grid",
          columnGap: 3,
          gridTemplateColumns: "repeat(auto-fill, minmax(250px, 1fr))",
        }}
      >
        {view.waiting.map((w) => (
          <Box
            component="li"
            key={w.job}
            sx={{
              borderBottom: 1,
              borderColor: "divider",
              py: 0.5,
            }}
          >
            <Button
              aria-pressed={chosen === w.job}
              {...hold(w.job, w.name)}
              onClick={() => {
                onChoose(w.job);
              }}
              sx={{ minWidth: 0, px: 0.5, textAlign: "left" }}
            >
              {w.name}
            </Button>{" "}
            {w.facts.vehicle.make} {w.facts.vehicle.name}
            <Typography sx={{ fontSize: "0.9rem" }}>
              {w.begun && "begun, in no bay · "}about {w.about}
              {w.facts.promisedOn !== null &&
                ` · promised ${weekdayText(w.facts.promisedOn)}`}
            </Typography>
            {w.waits && (
              <Typography sx={{ fontSize: "0.9rem", color: "warning.main" }}>
                ▲ {waitsSay(w.waits, w.facts.promisedOn)}
              </Typography>
            )}
          </Box>
        ))}
      </Box>
      {view.more && (
        <Typography color="text.secondary">
          And more: those that are promised first are shown.
        </Typography>
      )}
    </Box>
  );
}
