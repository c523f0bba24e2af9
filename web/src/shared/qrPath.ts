import { encode } from "uqr";

/** The dark squares of a QR code as one path, and the width of its field. */
export function qrPath(
  of: string,
  border: number,
): { dark: string; size: number } {
  const { data, size } = encode(of, { ecc: "M", border });
  return {
    size,
    dark: data
      .flatMap((row, y) =>
        row.map((on, x) => (on ? `M${String(x)} ${String(y)}h1v1h-1z` : "")),
      )
      .join(""),
  };
}
