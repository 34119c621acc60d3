import { createTheme } from "@mui/material/styles";

declare module "@mui/material/styles" {
  interface CssThemeVariables {
    enabled: true;
  }
  interface OwnColours {
    ink3: string;
    rock: string;
    line2: string;
    wash: string;
    rail: string;
    glacierMid: string;
    alpenMark: string;
    cautionWash: string;
    cautionMark: string;
    stopWash: string;
    plate: string;
    onPlate: string;
    ground: string;
    figureFar: string;
  }
  // The names of the colours that this interface has beyond the library's.
  // eslint-disable-next-line @typescript-eslint/no-empty-object-type
  interface Palette extends OwnColours {}
  // eslint-disable-next-line @typescript-eslint/no-empty-object-type
  interface PaletteOptions extends Partial<OwnColours> {}
  interface TypographyVariants {
    figure: React.CSSProperties;
    board: React.CSSProperties;
  }
  interface TypographyVariantsOptions {
    figure?: React.CSSProperties;
    board?: React.CSSProperties;
  }
}

declare module "@mui/material/Typography" {
  interface TypographyPropsVariantOverrides {
    figure: true;
    board: true;
  }
}

const wide = { fontStretch: "112%" };

/** The system's colours for the variables of the palette. */
const forcedColours = {
  "--mui-palette-text-primary": "CanvasText",
  "--mui-palette-text-secondary": "CanvasText",
  "--mui-palette-ink3": "CanvasText",
  "--mui-palette-primary-main": "LinkText",
  "--mui-palette-secondary-main": "Highlight",
  "--mui-palette-warning-main": "CanvasText",
  "--mui-palette-error-main": "CanvasText",
  "--mui-palette-alpenMark": "Highlight",
  "--mui-palette-cautionMark": "CanvasText",
  "--mui-palette-rock": "GrayText",
  "--mui-palette-line2": "GrayText",
  "--mui-palette-divider": "GrayText",
  "--mui-palette-glacierMid": "GrayText",
  "--mui-palette-plate": "CanvasText",
  "--mui-palette-onPlate": "Canvas",
  "--mui-palette-ground": "Canvas",
  "--mui-palette-figureFar": "GrayText",
  "--mui-palette-background-default": "Canvas",
  "--mui-palette-background-paper": "Canvas",
};

/** Colour, type and density of the interface; one desk in light and in dark. */
export const theme = createTheme({
  cssVariables: { colorSchemeSelector: "data-scheme" },
  colorSchemes: {
    light: {
      palette: {
        text: { primary: "#15212B", secondary: "#41505C" },
        primary: { main: "#17697A", dark: "#0F4F5D", light: "#DCEBEE", contrastText: "#FFFFFF" },
        secondary: { main: "#BF431D", dark: "#9E3515", light: "#FBE8DF", contrastText: "#FFFFFF" },
        warning: { main: "#745200", light: "#FAF0D7", contrastText: "#FFFFFF" },
        error: { main: "#A3172B", light: "#F8E2E5", contrastText: "#FFFFFF" },
        background: { default: "#EBF0F2", paper: "#FFFFFF" },
        divider: "#D3DBE0",
        ink3: "#566570",
        rock: "#7A8994",
        line2: "#B3BFC7",
        wash: "#F5F8F9",
        rail: "#15212B",
        glacierMid: "#8FBAC3",
        alpenMark: "#D9512C",
        cautionWash: "#FAF0D7",
        cautionMark: "#A87700",
        stopWash: "#F8E2E5",
        plate: "#2A3A46",
        onPlate: "#FFFFFF",
        ground: "#EBF0F2",
        figureFar: "#A3B0B9",
      },
    },
    dark: {
      palette: {
        text: { primary: "#F1F5F7", secondary: "#A9B7C1" },
        primary: { main: "#6CC7D6", dark: "#9ADCE6", light: "#1B3A43", contrastText: "#0E171E" },
        secondary: { main: "#FF8B61", dark: "#FFA686", light: "#3A2218", contrastText: "#15212B" },
        warning: { main: "#E9BE5B", light: "#33290F", contrastText: "#15212B" },
        error: { main: "#FF8D99", light: "#3D1A20", contrastText: "#15212B" },
        background: { default: "#0E171E", paper: "#17232C" },
        divider: "#2B3A45",
        ink3: "#A9B7C1",
        rock: "#6B7D89",
        line2: "#3A4B57",
        wash: "#131E26",
        rail: "#0A1116",
        glacierMid: "#2F6C79",
        alpenMark: "#FF8B61",
        cautionWash: "#33290F",
        cautionMark: "#E9BE5B",
        stopWash: "#3D1A20",
        plate: "#F1F5F7",
        onPlate: "#15212B",
        ground: "#0E171E",
        figureFar: "#5A6B77",
      },
    },
  },
  spacing: 4,
  shape: { borderRadius: 2 },
  typography: {
    fontFamily: '"Archivo Variable", system-ui, sans-serif',
    fontSize: 14,
    h1: { fontSize: 24, lineHeight: "28px", fontWeight: 650, letterSpacing: "-.01em", ...wide },
    h2: { fontSize: 15, lineHeight: "20px", fontWeight: 650, ...wide },
    h3: { fontSize: 13, lineHeight: "16px", fontWeight: 600, ...wide },
    figure: { fontSize: 32, lineHeight: "36px", fontWeight: 600, fontStretch: "115%", letterSpacing: "-.02em" },
    subtitle2: { fontSize: 14, lineHeight: "18px", fontWeight: 600 },
    body1: { fontSize: 14, lineHeight: "20px" },
    body2: { fontSize: 13, lineHeight: "16px", fontStretch: "94%" },
    board: { fontSize: 16, lineHeight: "22px", fontStretch: "90%" },
    caption: { fontSize: 12, lineHeight: "16px", fontStretch: "88%" },
    button: { textTransform: "none", fontWeight: 550, fontSize: 14, lineHeight: "20px" },
  },
  components: {
    MuiCssBaseline: {
      styleOverrides: (t) => ({
        "html, body, #root": { height: "100%" },
        body: {
          overflowWrap: "break-word",
          fontVariantNumeric: "tabular-nums lining-nums",
          "-webkit-font-smoothing": "antialiased",
        },
        a: { color: t.vars.palette.primary.main },
        ":focus-visible": { outline: `2px solid ${t.vars.palette.primary.main}`, outlineOffset: 2 },
        "h1[tabindex='-1']:focus, main:focus": { outline: "none" },
        "@media (forced-colors: active)": {
          // Drawings take the reader's colours through the variables, for their fills are not forced.
          ":root[data-scheme]": forcedColours,
          // What a filled background says is said by an outline or keeps its fill.
          "[aria-selected='true'], [aria-current]:not([aria-current='false']), .Mui-selected, nav a.active": {
            outline: "2px solid Highlight",
            outlineOffset: -2,
          },
          ".MuiToggleButton-root.Mui-selected": {
            forcedColorAdjust: "none",
            backgroundColor: "Highlight",
            color: "HighlightText",
          },
          "[data-bar]": { forcedColorAdjust: "none" },
          "[data-meter]": { forcedColorAdjust: "none", backgroundColor: "CanvasText" },
          "[data-meter='track']": { backgroundColor: "GrayText" },
          "[data-meter='range']": { backgroundColor: "Highlight" },
        },
        "@media (prefers-reduced-motion: reduce)": {
          "*": { transition: "none !important", animation: "none !important" },
        },
      }),
    },
    MuiButtonBase: { defaultProps: { disableRipple: true } },
    MuiButton: {
      defaultProps: { disableElevation: true, variant: "outlined", color: "inherit" },
      styleOverrides: {
        root: ({ theme: t }) => ({
          minHeight: 32,
          padding: "4px 12px",
          gap: 8,
          whiteSpace: "nowrap",
          "&:focus-visible": { outline: `2px solid ${t.vars.palette.primary.main}`, outlineOffset: 2 },
        }),
        outlined: ({ theme: t }) => ({
          borderColor: t.vars.palette.rock,
          backgroundColor: t.vars.palette.background.paper,
        }),
        sizeSmall: { minHeight: 28, padding: "2px 8px", fontSize: 13 },
      },
    },
    MuiPaper: { styleOverrides: { root: { backgroundImage: "none" } } },
    MuiDialog: { styleOverrides: { paper: { boxShadow: "none", border: "1px solid var(--mui-palette-rock)" } } },
    MuiTextField: { defaultProps: { size: "small", fullWidth: true } },
    MuiOutlinedInput: {
      styleOverrides: {
        notchedOutline: ({ theme: t }) => ({ borderColor: t.vars.palette.rock }),
        root: ({ theme: t }) => ({ backgroundColor: t.vars.palette.background.paper }),
      },
    },
    MuiFormHelperText: { styleOverrides: { root: { marginLeft: 0, fontSize: 12, lineHeight: "16px" } } },
    MuiTable: { defaultProps: { size: "small" } },
    MuiTableCell: {
      styleOverrides: {
        root: ({ theme: t }) => ({
          fontSize: 13,
          lineHeight: "16px",
          fontStretch: "85%",
          height: 30,
          padding: "0 8px 0 0",
          borderBottomColor: t.vars.palette.divider,
        }),
        head: ({ theme: t }) => ({
          color: t.vars.palette.ink3,
          fontWeight: 500,
          borderBottomColor: t.vars.palette.text.primary,
          whiteSpace: "nowrap",
        }),
      },
    },
    MuiToggleButton: {
      styleOverrides: {
        root: ({ theme: t }) => ({
          height: 28,
          minWidth: 36,
          padding: "0 10px",
          fontSize: 13,
          color: t.vars.palette.text.secondary,
          borderColor: t.vars.palette.rock,
          backgroundColor: t.vars.palette.background.paper,
          "&.Mui-selected, &.Mui-selected:hover": {
            backgroundColor: t.vars.palette.text.primary,
            color: t.vars.palette.background.paper,
            fontWeight: 600,
          },
        }),
      },
    },
    MuiTooltip: { styleOverrides: { tooltip: { fontSize: 12 } } },
  },
});
