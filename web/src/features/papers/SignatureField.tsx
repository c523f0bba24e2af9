import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useEffect, useRef } from "react";
import SignaturePad from "signature_pad";
import { strokesOf } from "./signature";

/** A field to sign in, by finger, pen or mouse: strokes, not a picture, so that it prints sharp at any size. */
export default function SignatureField({
  onDrawn,
}: {
  onDrawn: (strokes: number[][]) => void;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const pad = useRef<SignaturePad | null>(null);
  const drawn = useRef(onDrawn);
  useEffect(() => {
    drawn.current = onDrawn;
  });
  useEffect(() => {
    const field = canvas.current;
    if (!field) {
      return undefined;
    }
    const it = new SignaturePad(field, { penColor: "#1c1e21", minWidth: 1 });
    pad.current = it;
    // Another width empties a canvas: what was drawn is drawn again.
    const fit = () => {
      const data = it.toData();
      const [was, now] = [field.width, field.clientWidth];
      field.width = now;
      field.height = field.clientHeight;
      it.clear();
      it.fromData(
        data.map((g) => ({
          ...g,
          points: g.points.map((p) => ({
            ...p,
            x: (p.x * now) / (was || now),
            y: (p.y * now) / (was || now),
          })),
        })),
      );
    };
    fit();
    const size = new ResizeObserver(() => {
      if (field.clientWidth !== field.width) {
        fit();
      }
    });
    size.observe(field);
    it.addEventListener("endStroke", () => {
      drawn.current(strokesOf(it.toData(), field.width));
    });
    return () => {
      size.disconnect();
      it.off();
    };
  }, []);
  return (
    <Box>
      <Box
        component="canvas"
        ref={canvas}
        role="img"
        aria-label="Sign here"
        sx={{
          display: "block",
          width: "100%",
          aspectRatio: "10 / 3",
          bgcolor: "#fff",
          border: 2,
          borderColor: "text.primary",
          touchAction: "none",
        }}
      />
      <Box
        sx={{
          display: "flex",
          justifyContent: "space-between",
          alignItems: "center",
          color: "text.secondary",
        }}
      >
        Sign with finger, pen or mouse. On paper: print it instead.
        <Button
          size="small"
          onClick={() => {
            pad.current?.clear();
            onDrawn([]);
          }}
        >
          Clear
        </Button>
      </Box>
    </Box>
  );
}
