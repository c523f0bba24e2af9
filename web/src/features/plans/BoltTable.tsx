import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { v7 } from "uuid";
import type { Schemas } from "../../api/client";
import { useJob, useSend } from "../../api/job";
import { Length, useUnit } from "../../shared/Length";
import { Press } from "../../shared/Press";
import { asError, ProblemNote } from "../../shared/ProblemNote";
import { retyped, typed } from "../../shared/quantity";
import { FastenerFields, type Fastener } from "../fitting/FastenerFields";
import { boltsDo, otherSide, placesOf } from "./bolts";

type Row = Schemas["BoltRow"];

/** Bolts that go through what comes or goes: what is in each place now, what it needs, and where it comes from. */
export function BoltTable({ rows }: { rows: Row[] }) {
  return (
    <table style={{ tableLayout: "fixed" }}>
      <caption
        style={{ textAlign: "left", fontWeight: 700, padding: "10px 0 2px" }}
      >
        Bolts by place
      </caption>
      <thead>
        <tr>
          <th scope="col" style={{ width: "34%" }}>
            Place
          </th>
          <th scope="col">In it now</th>
          <th scope="col">Needs</th>
          <th scope="col" style={{ width: "34%" }}>
            Then
          </th>
        </tr>
      </thead>
      <tbody>
        {rows.map((r, i) => (
          <tr key={i}>
            <td>
              <b>{r.place}</b>
              <br />
              {r.fastener.count} × {r.fastener.position}
              {[r.fastener.thread, r.fastener.grade]
                .filter(Boolean)
                .map((t) => `, ${t ?? ""}`)}
            </td>
            <td>{r.nowMm === null ? "not taped" : <Length mm={r.nowMm} />}</td>
            <td>
              {r.neededMm !== null ? (
                <Length mm={r.neededMm} />
              ) : r.growsMm === null ? (
                "not known"
              ) : r.growsMm === 0 ? (
                "as it is"
              ) : (
                <Length mm={r.growsMm} signed />
              )}
            </td>
            <td>
              {boltsDo(r).map((line) => (
                <div key={line}>{line}</div>
              ))}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Old bolts are taped before anything is ordered, place by place. */
export function TapeBolts({ plan, rows }: { plan: string; rows: Row[] }) {
  const [open, setOpen] = useState<string | null>(null);
  const places = placesOf(rows);
  return (
    <Box component="section" className="no-print" sx={{ mt: 3 }}>
      <Typography variant="h2">Old bolts</Typography>
      <Typography color="text.secondary" sx={{ mb: 1 }}>
        With thread, grade and length of each, the list says what to buy, and
        which old ones serve in another place: as long as it needs, or up to 5
        mm longer (a rule of thumb), and out before they go in.
      </Typography>
      <Box component="ul" sx={{ listStyle: "none", p: 0, m: 0 }}>
        {places.map(({ place, rows: mine }) => (
          <Box
            component="li"
            key={place}
            sx={{ borderTop: 1, borderColor: "divider", py: 0.25 }}
          >
            <Button
              color="inherit"
              fullWidth
              aria-expanded={open === place}
              sx={{
                justifyContent: "space-between",
                gap: 2,
                textAlign: "left",
              }}
              onClick={() => {
                setOpen(open === place ? null : place);
              }}
            >
              <span>{place}</span>{" "}
              <Box component="span" sx={{ color: "text.secondary" }}>
                {mine.some((r) => r.nowMm === null) ? "not taped" : "taped"}
              </Box>
            </Button>
            {open === place && (
              <PlaceForm
                key={place}
                plan={plan}
                rows={mine}
                twin={
                  places.find((p) => p.place === otherSide(place))?.place ??
                  null
                }
                saved={() => {
                  setOpen(null);
                }}
              />
            )}
          </Box>
        ))}
      </Box>
    </Box>
  );
}

function PlaceForm({
  plan,
  rows,
  twin,
  saved,
}: {
  plan: string;
  rows: Row[];
  twin: string | null;
  saved: () => void;
}) {
  const view = useJob();
  const send = useSend();
  const unit = useUnit();
  const [fasteners, setFasteners] = useState(
    rows.map(({ fastener: f }): Fastener => ({
      ...f,
      lengthFound: typed(
        retyped(f.lengthNeeded ?? f.lengthFound),
        (f.lengthNeeded ?? f.lengthFound)?.unit ?? unit,
      ),
      lengthNeeded: null,
    })),
  );
  const [both, setBoth] = useState(twin !== null);
  const [problem, setProblem] = useState<Error | null>(null);
  const save = async (place: string) => {
    const joint = view.document.joints.find((j) => j.place === place);
    await send(
      joint
        ? {
            kind: "correctJoint",
            id: joint.id,
            version: view.versions[joint.id] ?? 0,
            heldBy: joint.kind,
            fasteners,
            order: joint.order,
            none: false,
          }
        : { kind: "noteJoint", id: v7(), planId: plan, place, fasteners },
      place,
    );
  };
  return (
    <Box sx={{ display: "grid", gap: 1, py: 1 }}>
      <FastenerFields
        fasteners={fasteners}
        problem={problem}
        onChange={setFasteners}
      />
      {twin !== null && (
        <FormControlLabel
          label={`${twin}: the same`}
          control={
            <Checkbox
              checked={both}
              onChange={(_, on) => {
                setBoth(on);
              }}
            />
          }
        />
      )}
      <Box>
        <Press
          variant="outlined"
          act={async () => {
            setProblem(null);
            try {
              await save(rows[0]?.place ?? "");
              if (both && twin !== null) {
                await save(twin);
              }
              saved();
            } catch (e) {
              setProblem(asError(e));
            }
          }}
        >
          Keep it so
        </Press>
      </Box>
      <ProblemNote problem={problem} />
    </Box>
  );
}
