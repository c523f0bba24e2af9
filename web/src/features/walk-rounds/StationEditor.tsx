import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Press } from "../../shared/Press";
import type { Schemas } from "../../api/client";
import { useJob, useSend } from "../../api/job";
import { asError, ProblemNote } from "../../shared/ProblemNote";
import { cornerWords } from "../../shared/quantity";
import { TopDrawing } from "./reading/TopDrawing";
import { stationWords, type Entry } from "./reading/useEntry";

interface NewPlace {
  name: string;
  x: number;
  y: number;
  carrier: Schemas["Carrier"];
  edge: string;
}

const edges = ["sheet metal", "liner", "flare", "trim"];

/** The vehicle from above; a tap chooses a station, or places a new one. */
export function StationEditor({
  round,
  entry,
}: {
  round: Schemas["WalkRound"];
  entry: Entry;
}) {
  const view = useJob();
  const vehicle = view.document.vehicle;
  const send = useSend();
  const [place, setPlace] = useState<NewPlace | null>(null);
  const [problem, setProblem] = useState<Error | null>(null);
  const usual = view.moreStations
    .filter((s) => !entry.order.includes(s.name))
    .map((s) => ({
      name: s.name,
      x: s.x.value,
      y: s.y.value,
      carrier: s.carrier,
      edge: "",
    }));
  const here = vehicle.stations.find((s) => s.name === entry.current);

  const keep = async (p: NewPlace, choose: boolean) => {
    setProblem(null);
    try {
      await send(
        {
          kind: "placeStation",
          version: view.versions[vehicle.id] ?? 0,
          name: p.name,
          xMm: p.x,
          yMm: p.y,
          carrier: p.carrier,
          edge: p.edge || null,
          walkRoundId: round.id,
        },
        `the station ${p.name}`,
      );
      setPlace(null);
      if (choose) {
        entry.choose(p.name);
      }
    } catch (e) {
      setProblem(asError(e));
    }
  };

  return (
    <Box>
      <TopDrawing
        vehicle={vehicle}
        order={entry.order}
        current={entry.current}
        done={entry.isDone}
        onChoose={entry.choose}
        onPlace={
          place
            ? (x, y) => {
                setPlace({ ...place, x, y });
              }
            : undefined
        }
        placing={place}
      />
      {here && (
        <TextField
          select
          size="small"
          label={`The tape hooks on, ${stationWords(here.name).toLowerCase()}`}
          value={here.edge ?? ""}
          onChange={(e) => {
            void keep(
              {
                name: here.name,
                x: here.x.value,
                y: here.y.value,
                carrier: here.carrier,
                edge: e.target.value,
              },
              false,
            );
          }}
          sx={{ maxWidth: 300, my: 1 }}
        >
          <MenuItem value="">not noted</MenuItem>
          {[...new Set(here.edge ? [...edges, here.edge] : edges)].map(
            (edge) => (
              <MenuItem key={edge} value={edge}>
                {edge}
              </MenuItem>
            ),
          )}
        </TextField>
      )}
      {place === null ? (
        <Box component="details">
          <Typography component="summary" sx={{ py: 1.25, fontWeight: 650 }}>
            More stations
          </Typography>
          <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, mb: 1 }}>
            {usual.map((p) => (
              <Press
                key={p.name}
                size="small"
                variant="outlined"
                act={() => keep(p, true)}
              >
                + {cornerWords[p.name] ?? p.name}
              </Press>
            ))}
            <Button
              size="small"
              onClick={() => {
                setPlace({
                  name: "",
                  x: -1200,
                  y: 0,
                  carrier: "body",
                  edge: "",
                });
              }}
            >
              Place one of my own…
            </Button>
          </Box>
        </Box>
      ) : (
        <Box sx={{ border: 1.5, borderColor: "primary.main", p: 1.25, mb: 1 }}>
          <Typography sx={{ mb: 1 }}>
            Tap the drawing where it is, and give it a name.
          </Typography>
          <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}>
            <TextField
              label="Name of the place"
              value={place.name}
              onChange={(e) => {
                setPlace({ ...place, name: e.target.value });
              }}
              sx={{ maxWidth: 240 }}
            />
            <TextField
              select
              label="Fixed to"
              value={place.carrier}
              onChange={(e) => {
                setPlace({
                  ...place,
                  carrier: e.target.value as Schemas["Carrier"],
                });
              }}
              sx={{ maxWidth: 130 }}
            >
              {(["body", "bed", "frame", "axle"] as const).map((c) => (
                <MenuItem key={c} value={c}>
                  {c}
                </MenuItem>
              ))}
            </TextField>
            <Press variant="contained" act={() => keep(place, true)}>
              Keep the place
            </Press>
            <Button
              color="inherit"
              onClick={() => {
                setPlace(null);
              }}
            >
              Not now
            </Button>
          </Box>
        </Box>
      )}
      <ProblemNote problem={problem} />
    </Box>
  );
}
