import { useRef, useState } from "react";

interface Held<T> {
  item: T;
  label: string;
  x: number;
  y: number;
}

/** How far a hand must move before it is a drag and not a press, px. */
const slack = 6;

/** The place under a point that takes what is dropped; null where none does. */
export const placeUnder = (x: number, y: number): HTMLElement | null =>
  document.elementFromPoint(x, y)?.closest<HTMLElement>("[data-drop]") ?? null;

const under = (x: number, y: number): string | null =>
  placeUnder(x, y)?.dataset.drop ?? null;

/** Carries something from its grip to a place that has data-drop, by mouse, pen or finger. */
export function useDrag<T>({
  over,
  drop,
}: {
  over: (item: T, place: string | null) => void;
  drop: (item: T, place: string | null, at: { x: number; y: number }) => void;
}) {
  const [held, setHeld] = useState<Held<T> | null>(null);
  const start = useRef<{ x: number; y: number } | null>(null);
  const place = useRef<string | null>(null);
  const dragged = useRef(false);
  const end = () => {
    start.current = null;
    place.current = null;
    setHeld(null);
  };
  const grip = (item: T, label: string) => ({
    onPointerDown: (e: React.PointerEvent) => {
      if (e.button === 0) {
        e.currentTarget.setPointerCapture(e.pointerId);
        dragged.current = false;
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
      dragged.current = true;
      setHeld({ item, label, x: e.clientX, y: e.clientY });
      const now = under(e.clientX, e.clientY);
      if (now !== place.current) {
        place.current = now;
        over(item, now);
      }
    },
    onPointerUp: (e: React.PointerEvent) => {
      if (held) {
        drop(item, under(e.clientX, e.clientY), {
          x: e.clientX,
          y: e.clientY,
        });
      }
      end();
    },
    onPointerCancel: () => {
      if (held) {
        over(item, null);
      }
      end();
    },
    // What was dragged was not pressed.
    onClickCapture: (e: React.MouseEvent) => {
      if (dragged.current) {
        dragged.current = false;
        e.stopPropagation();
        e.preventDefault();
      }
    },
    style: { touchAction: "none", cursor: "grab" } as const,
  });
  return { held, grip };
}
