import type { Schemas } from "../../api/client";
import { saveFile } from "../../shared/saveFile";
import { ChoosePaper } from "./ChoosePaper";

/** What a paper's file is called. */
export const fileOf = (paper: Pick<Schemas["Paper"], "title" | "heading">) =>
  `${paper.title} ${paper.heading}`
    .toLowerCase()
    .replaceAll(/[^\p{L}\p{N}]+/gu, "-")
    .replaceAll(/^-|-$/g, "") + ".pdf";

/** Writes a paper as PDF; what writes it is fetched when it is asked for. */
export function SavePdf({
  paper,
  address,
  fetchPicture,
}: {
  paper: Schemas["Paper"];
  /** What its code opens; null is none. */
  address: string | null;
  fetchPicture: (sha256: string) => Promise<Blob>;
}) {
  return (
    <ChoosePaper
      save={async (size) => {
        const { paperPdf } = await import("./paperPdf").catch(() => {
          throw new Error(
            "What writes the PDF is not on this device yet: it needs the network once. Print it instead.",
          );
        });
        const pictures = new Map<string, string>();
        for (const { sha256 } of paper.sections.flatMap((s) => s.pictures)) {
          // One that does not come is left out: its caption stands.
          const picture = await fetchPicture(sha256)
            .then(asJpeg)
            .catch(() => null);
          if (picture) {
            pictures.set(sha256, picture);
          }
        }
        saveFile(await paperPdf(paper, size, address, pictures), fileOf(paper));
      }}
    />
  );
}

/** A photograph as it stands on paper: 900 pixels are enough there, and WebP is not read by every reader of PDF. */
async function asJpeg(picture: Blob): Promise<string> {
  const bitmap = await createImageBitmap(picture);
  const scale = Math.min(1, 900 / Math.max(bitmap.width, bitmap.height));
  const canvas = document.createElement("canvas");
  canvas.width = Math.round(bitmap.width * scale);
  canvas.height = Math.round(bitmap.height * scale);
  canvas.getContext("2d")?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  return canvas.toDataURL("image/jpeg", 0.8);
}
