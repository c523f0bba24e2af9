import "@fontsource-variable/archivo";
import { createTheme, useTheme } from "@mui/material/styles";

/** Named colours of the stance and of verdicts; each also has its own line style or shape. */
export interface Inks {
  paper: string;
  tag: string;
  ink: string;
  soft: string;
  line: string;
  marker: string;
  before: string;
  planned: string;
  now: string;
  good: string;
  again: string;
  stop: string;
}

declare module "@mui/material/styles" {
  interface Palette {
    inks: Inks;
  }
  interface PaletteOptions {
    inks: Inks;
  }
}

const day: Inks = {
  paper: "#f7f5ef",
  tag: "#fffef9",
  ink: "#24272b",
  soft: "#5a5e63",
  line: "#c9c4b6",
  marker: "#1d4ed8",
  before: "#5a5e63",
  planned: "#86198f",
  now: "#24272b",
  good: "#14653a",
  again: "#8a4b00",
  stop: "#b3261e",
};

const night: Inks = {
  paper: "#15171a",
  tag: "#23262a",
  ink: "#e9e5db",
  soft: "#b0aca2",
  line: "#4a4d51",
  marker: "#93b4ff",
  before: "#b0aca2",
  planned: "#e6a5ee",
  now: "#e9e5db",
  good: "#7fd6a3",
  again: "#f0b866",
  stop: "#ff9b90",
};

function palette(inks: Inks) {
  return {
    inks,
    primary: { main: inks.marker },
    secondary: { main: inks.planned },
    error: { main: inks.stop },
    warning: { main: inks.again },
    success: { main: inks.good },
    background: { default: inks.paper, paper: inks.tag },
    text: { primary: inks.ink, secondary: inks.soft },
    divider: inks.line,
  };
}

export const theme = createTheme({
  cssVariables: { colorSchemeSelector: "data" },
  colorSchemes: {
    light: { palette: palette(day) },
    dark: { palette: palette(night) },
  },
  typography: {
    fontFamily: "'Archivo Variable', sans-serif",
    fontSize: 16,
    h1: { fontSize: "1.6rem", fontWeight: 700 },
    h2: { fontSize: "1.2rem", fontWeight: 700 },
    h3: { fontSize: "1.05rem", fontWeight: 700 },
    button: { textTransform: "none", fontWeight: 650 },
  },
  shape: { borderRadius: 4 },
  components: {
    MuiCssBaseline: {
      styleOverrides: {
        // What has the focus is never hidden behind the rail.
        html: { scrollPaddingBottom: "80px" },
        // The page itself has the focus only so that the next Tab goes into it.
        "main:focus": { outline: "none" },
        body: { fontVariantNumeric: "tabular-nums lining-nums" },
        "@media (prefers-reduced-motion: reduce)": {
          "*": { transition: "none !important", animation: "none !important" },
        },
        "@media print": {
          ".no-print": { display: "none !important" },
        },
      },
    },
    MuiButton: {
      defaultProps: { disableElevation: true, disableRipple: true },
      styleOverrides: {
        root: {
          minHeight: 48,
          borderWidth: 2,
          // Grey, not faint: what it says can be read while it is on its way.
          "&[aria-busy=true]": { filter: "grayscale(1)", cursor: "progress" },
        },
      },
    },
    MuiIconButton: {
      defaultProps: { disableRipple: true },
      styleOverrides: { root: { minWidth: 48, minHeight: 48 } },
    },
    MuiToggleButton: {
      defaultProps: { disableRipple: true },
      styleOverrides: {
        root: ({ theme: t }) => ({
          minHeight: 48,
          textTransform: "none",
          color: t.vars.palette.text.primary,
        }),
      },
    },
    MuiTextField: { defaultProps: { size: "small", fullWidth: true } },
    MuiOutlinedInput: { styleOverrides: { root: { minHeight: 48 } } },
    MuiLink: { defaultProps: { underline: "always" } },
  },
});

/** The inks of the colour scheme in force. */
export function useInks(): Inks {
  const theme = useTheme();
  return (theme.vars ?? theme).palette.inks;
}
