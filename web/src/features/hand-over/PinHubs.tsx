import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import type { Schemas } from "../../api/client";
import { useSend } from "../../api/job";
import { Press } from "../../shared/Press";
import { asError, ProblemNote } from "../../shared/ProblemNote";
import { usual } from "./overlay";

const steps: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

const within = (v: number) => Math.min(1, Math.max(0, v));

/** Both hubs of a photograph, each under its own cross: dragged, or moved by the arrow keys. */
export function PinHubs({
  picture,
  which,
  done,
}: {
  picture: Schemas["Attachment"];
  which: "before" | "after";
  done: () => void;
}) {
  const send = useSend();
  const frame = useRef<HTMLDivElement>(null);
  const [pins, setPins] = useState<number[]>([...(picture.pins ?? usual)]);
  const [problem, setProblem] = useState<Error | null>(null);
  const put = (hub: number, x: number, y: number) => {
    setPins(
      pins.map((v, i) =>
        i === hub * 2 ? within(x) : i === hub * 2 + 1 ? within(y) : v,
      ),
    );
  };
  const drag = (hub: number) => (e: PointerEvent<HTMLButtonElement>) => {
    const box = frame.current?.getBoundingClientRect();
    if (box && e.currentTarget.hasPointerCapture(e.pointerId)) {
      put(
        hub,
        (e.clientX - box.left) / box.width,
        (e.clientY - box.top) / box.height,
      );
    }
  };
  const key = (hub: number) => (e: KeyboardEvent) => {
    const step = steps[e.key];
    if (step) {
      e.preventDefault();
      const by = e.shiftKey ? 0.03 : 0.004;
      put(
        hub,
        (pins[hub * 2] ?? 0) + step[0] * by,
        (pins[hub * 2 + 1] ?? 0) + step[1] * by,
      );
    }
  };
  return (
    <Box>
      <Typography>
        {which === "before" ? "Before" : "After"}: put a cross on the middle of
        each hub. Drag it, or move it by the arrow keys, with Shift farther.
      </Typography>
      <Box ref={frame} sx={{ position: "relative", my: 1 }}>
        <img
          src={`/api/files/${picture.sha256}`}
          alt={picture.caption ?? "Photograph"}
          draggable={false}
          style={{ width: "100%", display: "block" }}
        />
        {["Front hub", "Rear hub"].map((name, hub) => (
          <Box
            key={name}
            component="button"
            type="button"
            aria-label={`${name}, ${which}`}
            onPointerDown={(e) => {
              e.currentTarget.setPointerCapture(e.pointerId);
            }}
            onPointerMove={drag(hub)}
            onKeyDown={key(hub)}
            sx={{
              position: "absolute",
              left: `${((pins[hub * 2] ?? 0) * 100).toString()}%`,
              top: `${((pins[hub * 2 + 1] ?? 0) * 100).toString()}%`,
              width: 48,
              height: 48,
              transform: "translate(-50%, -50%)",
              touchAction: "none",
              cursor: "grab",
              p: 0,
              borderRadius: "50%",
              border: "3px solid #fff",
              outline: "2px solid #1c1e21",
              background:
                "linear-gradient(#1c1e21,#1c1e21) center/2px 100% no-repeat, linear-gradient(#1c1e21,#1c1e21) center/100% 2px no-repeat, rgb(255 255 255 / 0.35)",
              "&:focus-visible": { outline: "4px solid #1d4ed8" },
            }}
          />
        ))}
      </Box>
      <ProblemNote problem={problem} />
      <Press
        variant="contained"
        act={async () => {
          setProblem(null);
          try {
            await send(
              { kind: "pinPhotograph", id: picture.id, pins },
              "the hubs",
            );
            done();
          } catch (e) {
            setProblem(asError(e));
          }
        }}
      >
        Keep both hubs, {which}
      </Press>
    </Box>
  );
}
