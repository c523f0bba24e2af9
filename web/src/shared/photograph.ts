/** Longest side of a kept photograph, pixels. */
export const longestSide = 2000;

/** The size of a photograph when it is kept. */
export function keptSize(
  width: number,
  height: number,
): { width: number; height: number } {
  const scale = Math.min(1, longestSide / Math.max(width, height));
  return {
    width: Math.max(1, Math.round(width * scale)),
    height: Math.max(1, Math.round(height * scale)),
  };
}

/** Draws a photograph anew, no larger than needed: where and with what it was taken stays behind. */
export async function forKeeping(file: Blob): Promise<Blob> {
  const image = await createImageBitmap(file, {
    imageOrientation: "from-image",
  }).catch(() => {
    throw new Error(
      "This picture is broken, or of a kind that cannot be opened here. Take it anew, or save it as JPEG.",
    );
  });
  const size = keptSize(image.width, image.height);
  const canvas = document.createElement("canvas");
  canvas.width = size.width;
  canvas.height = size.height;
  canvas.getContext("2d")?.drawImage(image, 0, 0, size.width, size.height);
  image.close();
  const kept = await new Promise<Blob | null>((resolve) => {
    canvas.toBlob(resolve, "image/jpeg", 0.82);
  });
  if (!kept) {
    throw new Error("This picture could not be drawn.");
  }
  return kept;
}
