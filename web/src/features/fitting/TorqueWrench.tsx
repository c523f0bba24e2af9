import Button from "@mui/material/Button";
import { useRef, useState } from "react";
import type { Schemas } from "../../api/client";
import { useJob } from "../../api/job";
import type { InstrumentLine } from "../../api/stream";
import { LiveLine } from "../../shared/LiveLine";
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
      Measured with: digital torque wrench (stand-in)
    </Button>
  );
}

function Pull({ place, target, unit, onPeak }: Props) {
  const job = useJob().document.job.id;
  const told = useRef<number | null>(null);
  const line = useInstrument(
    `/api/jobs/${job}/bay/torque-wrench?${new URLSearchParams({
      place,
      target: torqueIn(target, unit).toFixed(2),
      unit,
    }).toString()}`,
    "torque",
    place,
    (next) => {
      // A held peak is sent again and again; what was typed since stays.
      if (
        next.state === "peak" &&
        next.unit === unit &&
        next.value !== told.current
      ) {
        told.current = next.value;
        onPeak(next);
      }
    },
  );
  return (
    <LiveLine
      label="Torque wrench"
      line={line}
      digits={1}
      says={(l) =>
        l.state === "peak"
          ? `● Peak of ${l.serial}: “Final” keeps it.`
          : "○ Pulling…"
      }
    />
  );
}
