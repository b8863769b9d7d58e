import { createTheme } from "@mui/material/styles";

/** Colours of the enamel ware and of what is in it; each has a light and a dark reading. */
interface BenchColours {
  rim: string;
  onRim: string;
  butter: string;
  onButter: string;
  butterTint: string;
  heat: string;
  leaf: string;
  caution: string;
  batter: string;
  crust: string;
  markPan: string;
  markOven: string;
  markTime: string;
  markServes: string;
  layer: string;
  ghost: string;
  track: string;
  coat: string;
  coatShade: string;
  ganache: string;
  jam: string;
  crumbDot: string;
  board: string;
}

/** Sizes of type, for everything that is no quantity and no title; in sx as "size.small". */
const SIZES = {
  tiny: "0.82rem",
  small: "0.88rem",
  note: "0.94rem",
  body: "1rem",
  read: "1.05rem",
  strong: "1.13rem",
  lead: "1.2rem",
  title: "1.32rem",
  large: "1.55rem",
  huge: "2.2rem",
} as const;

declare module "@mui/material/styles" {
  interface CssThemeVariables {
    enabled: true;
  }
  interface Palette {
    bench: BenchColours;
  }
  interface PaletteOptions {
    bench: BenchColours;
  }
  interface TypographyVariants {
    size: typeof SIZES;
    quantity: React.CSSProperties;
    quantityLarge: React.CSSProperties;
    quantityHuge: React.CSSProperties;
    roomTitle: React.CSSProperties;
  }
  interface TypographyVariantsOptions {
    size: typeof SIZES;
    quantity: React.CSSProperties;
    quantityLarge: React.CSSProperties;
    quantityHuge: React.CSSProperties;
    roomTitle: React.CSSProperties;
  }
}

declare module "@mui/material/Typography" {
  interface TypographyPropsVariantOverrides {
    quantity: true;
    quantityLarge: true;
    quantityHuge: true;
    roomTitle: true;
  }
}

export const TEXT_FACE = '"Atkinson Hyperlegible Next Variable", system-ui, sans-serif';
export const TITLE_FACE = '"Bricolage Grotesque Variable", "Atkinson Hyperlegible Next Variable"';

/** Crumb from runny to crust, by its state: as a cake is, the same by day and by night. */
export const CRUMB: Readonly<Record<string, string>> = {
  runny: "#fbeecb",
  warm: "#f4dda3",
  setting: "#ecc878",
  "crumb forming": "#dfa452",
  set: "#d1924a",
  done: "#b97735",
  crust: "#74400f",
};

/** The bar of rooms, by day and by night. */
export const BAR = { bgcolor: "#1d3f8f", color: "#fff" } as const;

const light: BenchColours = {
  rim: BAR.bgcolor,
  onRim: "#ffffff",
  butter: "#ffd166",
  onButter: "#14203a",
  butterTint: "#fff4da",
  heat: "#c2370f",
  leaf: "#23703f",
  caution: "#8a5300",
  batter: "#e9bb70",
  crust: "#9a5f0c",
  markPan: "#dbe6ff",
  markOven: "#ffdfd3",
  markTime: "#fff0c2",
  markServes: "#f3dde6",
  layer: "#c98fa4",
  ghost: "#5f6f92",
  track: "#d6dde9",
  coat: "#f7e9c9",
  coatShade: "#e6cf9b",
  ganache: "#573022",
  jam: "#a8486f",
  crumbDot: "#c99446",
  board: "#c5d0e4",
};

const dark: BenchColours = {
  rim: "#8fb0ff",
  onRim: "#0d1526",
  butter: "#ffd166",
  onButter: "#14203a",
  butterTint: "#3a3420",
  heat: "#ff8e6b",
  leaf: "#84d8a3",
  caution: "#ffc46b",
  batter: "#c9964a",
  crust: "#ffd9a0",
  markPan: "#20345f",
  markOven: "#57271a",
  markTime: "#4d3f12",
  markServes: "#4a2b3a",
  layer: "#b46f88",
  ghost: "#9fb0d4",
  track: "#33415f",
  coat: "#e8d5a6",
  coatShade: "#c5a968",
  ganache: "#7a4630",
  jam: "#c46a90",
  crumbDot: "#8a6326",
  board: "#44557c",
};

const tabular = { fontVariantNumeric: "tabular-nums", fontFeatureSettings: '"tnum"' } as const;

/** The product's one theme; screens take every colour, gap and size from it. */
export const theme = createTheme({
  cssVariables: { colorSchemeSelector: "data-theme" },
  colorSchemes: {
    light: {
      palette: {
        primary: { main: light.rim, contrastText: light.onRim },
        background: { default: "#e8edf5", paper: "#ffffff" },
        text: { primary: "#14203a", secondary: "#4d5b7a" },
        divider: "#d3dbe8",
        bench: light,
      },
    },
    dark: {
      palette: {
        // Under the pointer it gets lighter: darker its words would be hard to read.
        primary: { main: dark.rim, dark: "#b9ccff", contrastText: dark.onRim },
        background: { default: "#0d1526", paper: "#162038" },
        text: { primary: "#e9effa", secondary: "#aebbd6" },
        divider: "#33415f",
        bench: dark,
      },
    },
  },
  shape: { borderRadius: 10 },
  typography: {
    size: SIZES,
    fontFamily: TEXT_FACE,
    fontSize: 14,
    button: { textTransform: "none", fontWeight: 650 },
    quantity: {
      fontFamily: TEXT_FACE,
      fontWeight: 700,
      fontSize: "1.3rem",
      lineHeight: 1.1,
      ...tabular,
    },
    quantityLarge: {
      fontFamily: TEXT_FACE,
      fontWeight: 750,
      fontSize: "1.8rem",
      lineHeight: 1.1,
      ...tabular,
    },
    quantityHuge: {
      fontFamily: TEXT_FACE,
      fontWeight: 750,
      fontSize: "clamp(3rem, 7vw, 5.5rem)",
      lineHeight: 1,
      ...tabular,
    },
    roomTitle: {
      fontFamily: TITLE_FACE,
      fontWeight: 750,
      fontSize: "1.5rem",
      lineHeight: 1.15,
      letterSpacing: "-0.01em",
    },
  },
  components: {
    MuiCssBaseline: {
      styleOverrides: {
        body: tabular,
        // Who asks for less motion gets none; nothing here is told by motion alone.
        "@media (prefers-reduced-motion: reduce)": {
          "*, *::before, *::after": {
            transitionDuration: "0s !important",
            animationDuration: "0.01ms !important",
          },
        },
        "@media screen": { ".print-only": { display: "none" } },
        "@media print": {
          "@page": { margin: "12mm" },
          ".no-print, .MuiSnackbar-root, .MuiDialog-root": { display: "none !important" },
          body: { background: "#fff", color: "#000" },
        },
      },
    },
    MuiButtonBase: {
      defaultProps: { disableRipple: true },
      styleOverrides: {
        root: ({ theme: t }) => ({
          "&:focus-visible": {
            outline: `3px solid ${t.vars.palette.bench.butter}`,
            outlineOffset: 2,
          },
        }),
      },
    },
    MuiButton: {
      defaultProps: { disableElevation: true },
      styleOverrides: { root: { minHeight: 44, borderRadius: 10 } },
    },
    MuiAlert: {
      styleOverrides: {
        root: ({ theme: t, ownerState }) => ({
          backgroundColor: t.vars.palette.background.paper,
          color: t.vars.palette.text.primary,
          border: `1px solid ${t.vars.palette.divider}`,
          borderLeft: `4px solid ${
            ownerState.severity === "error"
              ? t.vars.palette.bench.heat
              : ownerState.severity === "warning"
                ? t.vars.palette.bench.butter
                : t.vars.palette.bench.rim
          }`,
          "& .MuiAlert-icon": { color: "inherit" },
        }),
      },
    },
    MuiIconButton: { styleOverrides: { root: { minWidth: 44, minHeight: 44 } } },
    MuiMenuItem: { styleOverrides: { root: { minHeight: 44 } } },
    MuiTooltip: { defaultProps: { enterDelay: 300, describeChild: true } },
    MuiPaper: { styleOverrides: { root: { backgroundImage: "none" } } },
    MuiDialog: { styleOverrides: { paper: { borderRadius: 16 } } },
    MuiTypography: {
      defaultProps: {
        variantMapping: {
          quantity: "span",
          quantityLarge: "span",
          quantityHuge: "span",
          roomTitle: "h1",
        },
      },
    },
  },
});
