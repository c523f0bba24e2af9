import { useRef, useState } from "react";

interface Held<T> {
  item: T;
  label: string;
  x: number;
  y: number;
}

/** How far a hand must move before it is a drag and not a press, px. */
const slack = 6;

/** The corner under a point, "off" for the shelf, or nothing. */
function under(x: number, y: number): string | null {
  const hit = document
    .elementFromPoint(x, y)
    ?.closest<HTMLElement>("[data-drop]");
  return hit?.dataset.drop ?? null;
}

/** Carries something from its grip to a place that has data-drop, by mouse, pen or finger. */
export function useDrag<T>({
  over,
  drop,
}: {
  over: (item: T, place: string | null) => void;
  drop: (item: T, place: string | null) => void;
}) {
  const [held, setHeld] = useState<Held<T> | null>(null);
  const start = useRef<{ x: number; y: number } | null>(null);
  const place = useRef<string | null>(null);
  const end = () => {
    start.current = null;
    place.current = null;
    setHeld(null);
  };
  const grip = (item: T, label: string) => ({
    onPointerDown: (e: React.PointerEvent) => {
      if (e.button === 0) {
        e.currentTarget.setPointerCapture(e.pointerId);
        start.current = { x: e.clientX, y: e.clientY };
      }
    },
    onPointerMove: (e: React.PointerEvent) => {
      const from = start.current;
      if (
        !from ||
        (!held && Math.hypot(e.clientX - from.x, e.clientY - from.y) < slack)
      ) {
        return;
      }
      setHeld({ item, label, x: e.clientX, y: e.clientY });
      const now = under(e.clientX, e.clientY);
      if (now !== place.current) {
        place.current = now;
        over(item, now);
      }
    },
    onPointerUp: (e: React.PointerEvent) => {
      if (held) {
        drop(item, under(e.clientX, e.clientY));
      }
      end();
    },
    onPointerCancel: () => {
      if (held) {
        over(item, null);
      }
      end();
    },
    style: { touchAction: "none", cursor: "grab" } as const,
  });
  return { held, grip };
}
