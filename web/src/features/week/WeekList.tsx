import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { clock, weekdayText } from "../../shared/time";
import { spanOf, type Block, type View } from "./week";

/** The week day by day, as it is read on a phone and on paper: what stands in which bay, who is on it, what a person must know. */
export function WeekList({
  view,
  onChoose,
}: {
  view: View;
  onChoose?: (job: string) => void;
}) {
  const monday = view.days[0]?.day ?? "";
  return view.days.map((d) => {
    const here = view.jobs
      .map((b) => ({ b, ...spanOf(b) }))
      .filter(({ from, until }) => from.day <= d.day && until.day >= d.day)
      .sort(
        (x, y) =>
          x.from.day.localeCompare(y.from.day) || x.from.minute - y.from.minute,
      );
    if (here.length === 0 && d.due.length === 0 && !d.works) {
      return null;
    }
    return (
      <Box
        component="section"
        key={d.day}
        aria-label={weekdayText(d.day)}
        sx={{
          borderTop: 2,
          borderColor: "divider",
          py: 0.75,
          breakInside: "avoid",
        }}
      >
        <Typography variant="h3" component="h2">
          {weekdayText(d.day)}
          {!d.works && ", closed"}
        </Typography>
        {d.works && here.length === 0 && (
          <Typography color="text.secondary">Nothing is booked.</Typography>
        )}
        <Box component="ul" sx={{ m: 0, p: 0, listStyle: "none" }}>
          {here.map(({ b, from, until }) => (
            <Box component="li" key={b.job} sx={{ py: 0.5 }}>
              <b>
                {from.day !== d.day || b.plan?.goesOn
                  ? "goes on"
                  : clock(from.minute)}
                {until.day === d.day && ` to ${clock(until.minute)}`}
              </b>
              {b.booking.bay !== null && ` · ${b.booking.bay}`} ·{" "}
              {onChoose ? (
                <Button
                  size="small"
                  sx={{ verticalAlign: "baseline" }}
                  onClick={() => {
                    onChoose(b.job);
                  }}
                >
                  {b.name}
                </Button>
              ) : (
                <b>{b.name}</b>
              )}{" "}
              {b.facts.vehicle.make} {b.facts.vehicle.name}, {b.facts.owner}
              <Typography sx={{ fontSize: "0.9rem" }}>
                {handsOf(b, view)}
                {b.facts.promisedOn !== null &&
                  ` · promised ${weekdayText(b.facts.promisedOn)}`}
                {b.doneAt !== null && " · handed over"}
              </Typography>
              {d.day === (from.day < monday ? monday : from.day) &&
                b.plan &&
                [...b.plan.says, b.plan.slip ?? ""]
                  .filter((s) => s !== "")
                  .map((s) => (
                    <Typography
                      key={s}
                      sx={{ fontSize: "0.9rem", fontWeight: 600 }}
                    >
                      ▲ {s}
                    </Typography>
                  ))}
            </Box>
          ))}
        </Box>
        {d.due.length > 0 && (
          <Typography sx={{ fontSize: "0.9rem" }}>
            Due: {d.due.map((f) => `${f.name}, ${f.what}`).join("; ")}
          </Typography>
        )}
      </Box>
    );
  });
}

/** Who leads, and who lends a hand. */
export function handsOf(b: Block, view: View): string {
  const [leads, ...helps] = b.booking.people.map(
    (p) => view.people.find((x) => x.id === p)?.name ?? "somebody who has left",
  );
  return leads === undefined
    ? "nobody yet"
    : helps.length === 0
      ? leads
      : `${leads} with ${helps.join(" and ")}`;
}
