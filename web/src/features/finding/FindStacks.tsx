import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import LinearProgress from "@mui/material/LinearProgress";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useEffect, useState } from "react";
import type { Schemas } from "../../api/client";
import { currentStage } from "../../api/document";
import { useJob } from "../../api/job";
import { useSettings } from "../../shared/useSettings";
import { useUnit } from "../../shared/Length";
import { at, ProblemNote } from "../../shared/ProblemNote";
import { typed } from "../../shared/quantity";
import { onTrackBar } from "../../shared/suspensions";
import { useSuspensionKinds } from "../../shared/useKinds";
import { useDraft } from "../../shared/useDraft";
import { FoundRow } from "./FoundRow";
import { noRules } from "./rules";
import { useFinding, type Findings, type Rules } from "./useFinding";

type School = Exclude<keyof Rules, "order" | "hourRate" | "mostAside">;

const schools: { rule: School; says: string }[] = [
  { rule: "mayBuy", says: "parts may be bought" },
  { rule: "noSpacers", says: "no spacers" },
  { rule: "preloadOnly", says: "preload only" },
  { rule: "noCutting", says: "no cutting" },
  { rule: "keepDroop", says: "keep droop" },
  { rule: "holdEveryLimit", says: "hold every limit" },
  { rule: "sidesDiffer", says: "sides may differ" },
  { rule: "holdGeometry", says: "geometry within its limits" },
];

const orders: { order: Rules["order"]; says: string }[] = [
  { order: "leastCost", says: "least on the whole" },
  { order: "surest", says: "surest" },
  { order: "leastWork", says: "least work" },
  { order: "leastMoney", says: "least money" },
  { order: "fewestAxles", says: "fewest axles" },
  { order: "nothingCut", says: "nothing cut" },
];

/** Finds stacks that land, from the shelf, in order; each with its reasons. It begins to look when it is first shown. */
export function FindStacks({
  onBand,
  onTake,
}: {
  onBand: (prediction: Schemas["Prediction"] | null) => void;
  /** What was found, and as which it stands in the list. */
  onTake: (found: Schemas["FoundView"], called: string) => void;
}) {
  const d = useJob().document;
  const stage = currentStage(d);
  const search = useFinding(d.job.id);
  const [rules, setRules] = useState<Rules>(() => ({
    ...noRules,
    sidesDiffer: d.job.target.noLean || d.job.target.evenDiagonals === true,
  }));
  const settings = useSettings();
  const [rate, setRate] = useDraft("hourRate", "");
  const [aside, setAside] = useDraft("mostAside", "");
  const unit = useUnit();
  const kinds = useSuspensionKinds();
  const barred =
    onTrackBar(kinds, stage.front.kind) || onTrackBar(kinds, stage.rear.kind);
  // Where no axle is on a track bar, none is held: what was asked of another vehicle is not asked of this one.
  const most = barred ? aside.trim() : "";
  const [narrow, setNarrow] = useState(false);
  const chosen = [
    ...schools.filter((s) => rules[s.rule]).map((s) => s.says),
    ...(most
      ? [
          `no axle aside by more than ${/[a-z"″]/i.test(most) ? most : `${most} ${unit}`}`,
        ]
      : []),
  ];
  const hourRate =
    rate.trim() === "" ? null : Number(rate.trim().replace(",", "."));
  const noRate = hourRate !== null && !(hourRate >= 0);
  const begin = (change: Partial<Rules> = {}) =>
    void search.start(stage.id, {
      ...rules,
      ...change,
      hourRate,
      mostAside: typed(most, unit),
    });
  useEffect(() => {
    begin();
    // Once: what is changed later is looked for when it is asked.
    // oxlint-disable-next-line react/exhaustive-deps
  }, []);
  const { findings: f } = search;
  return (
    <Box component="section" aria-label="Find the stack">
      <Box
        sx={{
          display: "flex",
          flexWrap: "wrap",
          alignItems: "center",
          columnGap: 1,
        }}
      >
        {search.running ? (
          <Button variant="outlined" onClick={search.stop}>
            Stop looking
          </Button>
        ) : (
          <Button
            variant="outlined"
            onClick={() => {
              begin();
            }}
          >
            Find again
          </Button>
        )}
        <Button
          aria-expanded={narrow}
          onClick={() => {
            setNarrow(!narrow);
          }}
        >
          {`How to look${chosen.length === 0 ? "" : `: ${chosen.join(", ")}`}`}
        </Button>
      </Box>
      {d.plans.some((p) => p.begunAt === null && p.conversions) && (
        <Typography color="text.secondary">
          Stacks are found for the suspension that is there today, not for the
          one that a plan brings.
        </Typography>
      )}
      {narrow && (
        <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: 1 }}>
          <TextField
            select
            label="In the order"
            value={rules.order}
            onChange={(e) => {
              const order = e.target.value as Rules["order"];
              setRules({ ...rules, order });
              if (f) {
                begin({ order });
              }
            }}
            fullWidth={false}
            sx={{ minWidth: 160, flex: 1, my: 1 }}
          >
            {orders.map((o) => (
              <MenuItem key={o.order} value={o.order}>
                {o.says}
              </MenuItem>
            ))}
          </TextField>
          <TextField
            label="An hour costs"
            value={rate}
            placeholder={
              settings.hourRate === null
                ? "100, a rule of thumb"
                : `${settings.hourRate.toString()}, the shop’s`
            }
            onChange={(e) => {
              setRate(e.target.value);
            }}
            {...(noRate
              ? { error: true, helperText: "What does an hour cost? A number." }
              : at(search.problem, "hourRate"))}
            slotProps={{ inputLabel: { shrink: true } }}
            fullWidth={false}
            sx={{ minWidth: 140, flex: 1, my: 1 }}
          />
          {schools.map((s) => (
            <FormControlLabel
              key={s.rule}
              label={s.says}
              control={
                <Checkbox
                  checked={rules[s.rule]}
                  onChange={(e) => {
                    setRules({ ...rules, [s.rule]: e.target.checked });
                  }}
                />
              }
            />
          ))}
          {barred && (
            <TextField
              label="No axle aside by more than"
              value={aside}
              placeholder={unit === "in" ? "1/4" : "6"}
              onChange={(e) => {
                setAside(e.target.value);
              }}
              {...at(search.problem, "mostAside")}
              slotProps={{ inputLabel: { shrink: true } }}
              fullWidth={false}
              sx={{ width: 230, my: 1 }}
            />
          )}
        </Box>
      )}
      {search.running && <LinearProgress aria-label="Looking" />}
      {!at(search.problem, "hourRate").error &&
        !(narrow && at(search.problem, "mostAside").error) && (
          <ProblemNote problem={search.problem} />
        )}
      {f && (
        <Found
          findings={f}
          running={search.running}
          onBand={onBand}
          onTake={onTake}
        />
      )}
    </Box>
  );
}

function Found({
  findings: f,
  running,
  onBand,
  onTake,
}: {
  findings: Findings;
  running: boolean;
  onBand: (prediction: Schemas["Prediction"] | null) => void;
  /** What was found, and as which it stands in the list. */
  onTake: (found: Schemas["FoundView"], called: string) => void;
}) {
  if (f.cannot) {
    return <Typography role="status">▲ {f.cannot}</Typography>;
  }
  const count = (n: number) => Math.round(n).toLocaleString("en-GB");
  return (
    <Box>
      <Typography
        role="status"
        color="text.secondary"
        sx={{ fontSize: "0.9rem" }}
      >
        {running
          ? `Looking: ${count(f.looked)} of ${count(f.combinations)} stacks worked out …`
          : f.endedEarly
            ? `Stopped early: ${count(f.looked)} of ${count(f.combinations)} stacks worked out. What stands below is proved as far as it goes.`
            : `${count(f.combinations)} stacks can be put together; ${count(f.looked)} had to be worked out, ${(f.seconds ?? 0).toFixed(1)} s.`}
      </Typography>
      <Box component="ol" sx={list}>
        {f.found.length === 0 && f.best && (
          <FoundRow
            found={f.best}
            title="Best so far"
            onBand={onBand}
            onTake={(found) => {
              onTake(found, "the best so far");
            }}
          />
        )}
        {f.found.map((s, i) => (
          <FoundRow
            key={i}
            found={s}
            title={`No. ${(i + 1).toString()}`}
            onBand={onBand}
            onTake={(found) => {
              onTake(found, `No. ${(i + 1).toString()} of what was found`);
            }}
          />
        ))}
      </Box>
      {!running && f.found.length === 0 && !f.best && (
        <Typography>
          Nothing on the shelf makes it. Let parts be bought, or ask for less.
        </Typography>
      )}
      {f.rejected.length > 0 && (
        <details>
          <summary>What was stopped, the best first</summary>
          <Box component="ul" sx={list}>
            {f.rejected.map((s, i) => (
              <FoundRow key={i} found={s} title="■ Stopped" onBand={onBand} />
            ))}
          </Box>
        </details>
      )}
      {f.leftOut.length > 0 && (
        <details>
          <summary>
            {f.leftOut.length} parts of the shelf have no place here
          </summary>
          <ul>
            {f.leftOut.map((l) => (
              <li key={`${l.part} ${l.why}`}>
                <b>{l.part}</b>: {l.why}
              </li>
            ))}
          </ul>
        </details>
      )}
    </Box>
  );
}

const list = { listStyle: "none", p: 0, my: 1 };
