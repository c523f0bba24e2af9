import latin from "@fontsource/archivo/files/archivo-latin-400-normal.woff?url";
import latinBold from "@fontsource/archivo/files/archivo-latin-700-normal.woff?url";
import wide from "@fontsource/archivo/files/archivo-latin-ext-400-normal.woff?url";
import wideBold from "@fontsource/archivo/files/archivo-latin-ext-700-normal.woff?url";
import { Font } from "@react-pdf/renderer";

// The shipped faces: a font of the reader's own might lack what a paper says.
Font.register({
  family: "Archivo",
  fonts: [
    { src: latin, fontWeight: 400 },
    { src: latinBold, fontWeight: 700 },
  ],
});
Font.register({
  family: "Archivo wide",
  fonts: [
    { src: wide, fontWeight: 400 },
    { src: wideBold, fontWeight: 700 },
  ],
});
export const families = ["Archivo", "Archivo wide"];
// A part's name is not divided.
Font.registerHyphenationCallback((word) => [word]);
