import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, must, type Schemas } from "../../api/client";
import { useJob, useOutbox } from "../../api/job";
import { Problem } from "../../api/problem";
import { DrawnTape } from "./DrawnTape";

/** The tape at a station of a practice vehicle: nobody says what it reads. The eye can go up and down, the hook be set anew. */
export function PracticeTape({
  exercise,
  round,
  station,
  from,
}: {
  exercise: string;
  round: string;
  station: string;
  from: Schemas["Datum"];
}) {
  const { readings } = useJob().document;
  // The tape hangs in the round that the server knows.
  const saved = useOutbox().letters.length === 0;
  const reads = readings.filter(
    (r) => r.walkRoundId === round && r.place.name === station,
  ).length;
  const [eye, setEye] = useState<number | null>(null);
  const [hooked, setHooked] = useState(false);
  const tape = useQuery({
    queryKey: ["practice-tape", round, station, from, reads, eye, hooked],
    queryFn: async () =>
      must(
        await api.GET("/api/practice/{exercise}/tape", {
          params: {
            path: { exercise },
            query: {
              round,
              station,
              from,
              hooked,
              ...(eye === null ? {} : { eye }),
            },
          },
        }),
      ),
    enabled: saved,
    retry: false,
    staleTime: Infinity,
    // While the eye moves, the picture before stays.
    placeholderData: (before) => before,
  });
  if (!tape.data) {
    return (
      <Typography sx={{ width: 300, minHeight: 345 }} role="status">
        {tape.error === null
          ? null
          : tape.error instanceof Problem && tape.error.status > 0
            ? tape.error.message
            : "The drawn tape needs the network. What you typed is kept; go on when it is back."}
      </Typography>
    );
  }
  const now = tape.data.eye;
  const move = (by: number) => {
    setEye(Math.max(-2, Math.min(2, now + by)));
  };
  return (
    <Box sx={{ width: 300, maxWidth: "100%" }}>
      <DrawnTape tape={tape.data} />
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 0.75, mt: 0.75 }}>
        {tape.data.behind && (
          <>
            <Button
              variant="outlined"
              color="inherit"
              sx={{ px: 1 }}
              disabled={now >= 2}
              onClick={() => {
                move(1);
              }}
            >
              Eye up
            </Button>
            <Button
              variant="outlined"
              color="inherit"
              sx={{ px: 1 }}
              disabled={now <= -2}
              onClick={() => {
                move(-1);
              }}
            >
              Eye down
            </Button>
          </>
        )}
        <Button
          variant="outlined"
          color="inherit"
          sx={{ px: 1 }}
          onClick={() => {
            setHooked(true);
          }}
        >
          Hook anew
        </Button>
      </Box>
    </Box>
  );
}
