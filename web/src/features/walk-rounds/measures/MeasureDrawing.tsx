import { useInks } from "../../../shared/theme";
import { drawings } from "./drawings";

/** What was set is drawn as what is read of it. */
const drawn = (measure: string) =>
  ({ casterSet: "caster", camberSet: "camberAngle", toeSet: "toeAngle" })[
    measure
  ] ?? measure;

/** A small drawing of how a measure is taken: the thing in graphite, the tape or gauge in the marker's colour. */
export function MeasureDrawing({ measure }: { measure: string }) {
  const inks = useInks();
  return (
    <svg
      viewBox="0 0 200 130"
      width={200}
      height={130}
      role="img"
      aria-label="How it is measured"
      style={{
        flex: "none",
        background: inks.tag,
        border: `1px solid ${inks.line}`,
      }}
      fill="none"
      stroke={inks.now}
      strokeWidth={2.5}
    >
      {(drawings[drawn(measure)] ?? drawings.ride)?.(inks)}
    </svg>
  );
}
