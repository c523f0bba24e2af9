/** A text in letters that faces have: an accent with its letter, fractions in figures, nothing that is not seen. */
export const writable = (text: string) =>
  text
    .normalize("NFC")
    .replaceAll(/\p{Cf}/gu, "")
    .replaceAll(
      /(\d?)([⅐-⅞])/gu,
      (_, whole: string, part: string) =>
        (whole && `${whole} `) + part.normalize("NFKC").replace("⁄", "/"),
    );
