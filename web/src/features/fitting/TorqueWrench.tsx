import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useJob } from "../../api/job";
import type { InstrumentLine } from "../../api/live";
import { useInstrument } from "../../shared/useInstrument";
import { torqueIn, type TorqueUnit } from "./torque";

interface Props {
  place: string;
  target: Schemas["Quantity"];
  unit: TorqueUnit;
  onPeak: (line: InstrumentLine) => void;
}

/** A digital wrench on this joint: its peak becomes the value reached. Nothing is kept until "Final" is pressed. */
export function TorqueWrench(props: Props) {
  const [on, setOn] = useState(false);
  return on ? (
    <Pull {...props} />
  ) : (
    <Button
      size="small"
      sx={{ justifySelf: "start" }}
      onClick={() => {
        setOn(true);
      }}
    >
      Read with: digital torque wrench (stand-in)
    </Button>
  );
}

function Pull({ place, target, unit, onPeak }: Props) {
  const job = useJob().document.job.id;
  const line = useInstrument(
    `/api/jobs/${job}/bay/torque-wrench?${new URLSearchParams({
      place,
      target: torqueIn(target, unit).toFixed(2),
      unit,
    }).toString()}`,
    "torque",
    place,
    (next) => {
      if (next.state === "peak" && next.unit === unit) {
        onPeak(next);
      }
    },
  );
  return (
    <Box role="status" aria-label="Torque wrench">
      {line ? (
        <>
          <Typography sx={{ fontSize: "1.4rem", fontWeight: 700 }}>
            {line.value.toFixed(1)} {line.unit}
          </Typography>
          <Typography color="text.secondary">
            {line.state === "peak"
              ? `● Peak of ${line.serial}: “Final” keeps it.`
              : "○ Pulling…"}
          </Typography>
        </>
      ) : (
        <Typography color="text.secondary">
          ○ Waiting for the wrench. It needs the server.
        </Typography>
      )}
    </Box>
  );
}
