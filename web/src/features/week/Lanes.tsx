import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import visuallyHidden from "@mui/utils/visuallyHidden";
import { clock, weekdayText } from "../../shared/time";
import { placeUnder } from "../../shared/useDrag";
import { Hands } from "./Hands";
import { Standing } from "./Standing";
import type { Put } from "./useWeek";
import {
  columns,
  moment,
  momentAt,
  placeOf,
  share,
  type Block,
  type Moment,
  type View,
  type Week,
} from "./week";

/** A bay and a moment in it. */
export interface Target {
  bay: string | null;
  at: Moment;
}

export interface Acts {
  chosen: string | null;
  onChoose: (job: string) => void;
  /** What makes a job draggable. */
  hold: (job: string, name: string) => object;
  /** Where what is carried would stand; null while nothing is carried, or over no bay. */
  carried: Target | null;
  /** Where jobs were put that are not yet laid out there. */
  puts: Record<string, Put | undefined>;
  /** Moves a job by keys: so many minutes, or so many bays. */
  onNudge: (block: Block, minutes: number, bays: number) => void;
}

/** Bays on their ground lines over the days of a week, and under them what each pair of hands does. */
export function Lanes({ view, acts }: { view: View; acts: Acts }) {
  const week = columns(view.days);
  const bays: (string | null)[] = view.bays.length === 0 ? [null] : view.bays;
  const gone = view.jobs
    .map((b) => b.booking.bay)
    .filter((b) => !bays.includes(b));
  const now = moment(view.now);
  const inWeek = view.days.some((d) => d.day === now.day);
  return (
    <Box sx={{ position: "relative" }}>
      <Heads view={view} week={week} />
      {[...bays, ...new Set(gone)].map((bay) => (
        <Lane key={bay ?? ""} bay={bay} view={view} week={week} acts={acts} />
      ))}
      <Hands view={view} week={week} />
      {inWeek && (
        <Box
          aria-hidden
          sx={{
            position: "absolute",
            top: 0,
            bottom: 0,
            left: `calc(var(--name) + (100% - var(--name)) * ${placeOf(now, week, view.hours).toFixed(4)})`,
            borderLeft: 2,
            borderColor: "primary.main",
            pointerEvents: "none",
          }}
        />
      )}
    </Box>
  );
}

function Heads({ view, week }: { view: View; week: Week }) {
  const today = moment(view.now).day;
  return (
    <Box sx={{ ml: "var(--name)", position: "relative", height: 46 }}>
      {week.map((c, i) => (
        <Box
          key={c.day}
          sx={{
            position: "absolute",
            left: share(c.from),
            width: share(c.to - c.from),
            pl: 0.5,
            borderLeft: 1,
            borderColor: "divider",
            height: "100%",
            overflow: "hidden",
            whiteSpace: "nowrap",
          }}
        >
          <Typography
            sx={{
              fontWeight: c.day === today ? 800 : 600,
              fontSize: "0.95rem",
            }}
          >
            {c.works ? weekdayText(c.day) : weekdayText(c.day).slice(0, 2)}
            {c.day === today && " · today"}
          </Typography>
          <DueLine due={view.days[i]?.due ?? []} short={!c.works} />
        </Box>
      ))}
    </Box>
  );
}

function DueLine({
  due,
  short,
}: {
  due: View["days"][number]["due"];
  short: boolean;
}) {
  if (due.length === 0) {
    return null;
  }
  const says = due.map((d) => `${d.name}: ${d.what}`).join("; ");
  return (
    <Typography
      color="text.secondary"
      title={says}
      sx={{ fontSize: "0.8rem", overflow: "hidden", textOverflow: "ellipsis" }}
    >
      {short ? (
        <>
          {due.length}
          <span style={visuallyHidden}> due: {says}</span>
        </>
      ) : due.length === 1 ? (
        says
      ) : (
        `${due.length.toString()} follow-ups due`
      )}
    </Typography>
  );
}

function Lane({
  bay,
  view,
  week,
  acts,
}: {
  bay: string | null;
  view: View;
  week: Week;
  acts: Acts;
}) {
  const blocks = view.jobs.filter(
    (b) => (acts.puts[b.job] ?? b.booking).bay === bay,
  );
  const over = acts.carried?.bay === bay ? acts.carried.at : null;
  const name = bay ?? "The shop";
  return (
    <Box
      component="section"
      aria-label={name}
      sx={{
        display: "grid",
        gridTemplateColumns: "var(--name) 1fr",
        alignItems: "stretch",
        borderTop: 1,
        borderColor: "divider",
      }}
    >
      <Typography sx={{ fontWeight: 700, alignSelf: "end", pb: 3.5, pr: 1 }}>
        {name}
      </Typography>
      <Box
        component="ul"
        data-drop={bay ?? ""}
        sx={{
          position: "relative",
          height: 132,
          m: 0,
          p: 0,
          listStyle: "none",
          // The line on which vehicles stand.
          "&::after": {
            content: '""',
            position: "absolute",
            insetInline: 0,
            bottom: 34,
            borderTop: 3,
            borderColor: "text.primary",
          },
        }}
      >
        <Days week={week} />
        {blocks.map((b) => (
          <Standing key={b.job} block={b} view={view} week={week} acts={acts} />
        ))}
        {over && (
          <Box
            component="li"
            aria-hidden
            sx={{
              position: "absolute",
              left: share(placeOf(over, week, view.hours)),
              top: 0,
              bottom: 34,
              borderLeft: 2,
              borderColor: "primary.main",
              pl: 0.5,
              color: "primary.main",
              fontWeight: 700,
              pointerEvents: "none",
            }}
          >
            {clock(over.minute)}
          </Box>
        )}
      </Box>
    </Box>
  );
}

/** The bay under a point, and the moment at which what is held there begins, so far left of the point. */
export function targetAt(
  { x, y }: { x: number; y: number },
  left: number,
  view: View,
): Target | null {
  const lane = placeUnder(x, y);
  if (lane?.dataset.drop === undefined) {
    return null;
  }
  const box = lane.getBoundingClientRect();
  const place = (x - left - box.left) / box.width;
  return {
    bay: lane.dataset.drop === "" ? null : lane.dataset.drop,
    at: momentAt(
      Math.min(0.999, Math.max(0, place)),
      columns(view.days),
      view.hours,
    ),
  };
}

function Days({ week }: { week: Week }) {
  return week.map((c) => (
    <Box
      key={c.day}
      component="li"
      aria-hidden
      sx={{
        position: "absolute",
        left: share(c.from),
        width: share(c.to - c.from),
        top: 0,
        bottom: 34,
        borderLeft: 1,
        borderColor: "divider",
        ...(!c.works && {
          background: (t) =>
            `repeating-linear-gradient(135deg, ${t.palette.divider} 0 1px, transparent 1px 7px)`,
        }),
      }}
    />
  ));
}
