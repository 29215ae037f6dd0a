/** MUI dressed as the drawing: cool, square, flat. Colours are the CSS variables of theme.css. */

import { createTheme } from "@mui/material/styles";

const numerals = "lining-nums tabular-nums";

export const theme = createTheme({
  palette: {
    // MUI mixes colours of its own from these, so they are plain values; the style overrides below use the variables.
    mode: "dark",
    primary: { main: "#74b3a2", contrastText: "#cfe8e0" },
    secondary: { main: "#97a5aa" },
    error: { main: "#dbe3e4" },
    warning: { main: "#dbe3e4" },
    background: { default: "#0d1215", paper: "#12191d" },
    text: { primary: "#bccacd", secondary: "#93a4aa" },
    divider: "#28343a",
  },
  shape: { borderRadius: 3 },
  typography: {
    fontFamily: '"Ysabeau Office Variable", "Ysabeau Office", sans-serif',
    fontSize: 16,
    button: { textTransform: "none", fontWeight: 560, fontSize: 18, letterSpacing: 0 },
  },
  components: {
    MuiButtonBase: { defaultProps: { disableRipple: true } },
    MuiButton: {
      defaultProps: { variant: "outlined", disableElevation: true },
      styleOverrides: {
        root: {
          minHeight: 48,
          padding: "8px 18px",
          color: "var(--ink)",
          borderColor: "var(--edge)",
          fontVariantNumeric: numerals,
          "&:hover": { borderColor: "var(--steel)", backgroundColor: "var(--lift)" },
          "&.Mui-disabled": { color: "var(--ink3)", borderColor: "var(--line)" },
        },
        contained: {
          backgroundColor: "var(--verd-body)",
          border: "1.5px solid var(--verd-edge)",
          color: "var(--verd-on)",
          "&:hover": { backgroundColor: "var(--verd-body)", borderColor: "var(--verd)" },
        },
        text: { border: 0, textDecoration: "underline", textUnderlineOffset: 4, textDecorationColor: "var(--line2)" },
      },
    },
    MuiPaper: {
      styleOverrides: { root: { backgroundImage: "none", backgroundColor: "var(--sheet)", color: "var(--ink)", boxShadow: "none" } },
    },
    MuiDialog: { styleOverrides: { paper: { border: "1.5px solid var(--line2)", borderRadius: 0 } } },
    MuiDialogTitle: { styleOverrides: { root: { fontSize: 24, fontWeight: 560 } } },
    MuiOutlinedInput: {
      styleOverrides: {
        root: {
          color: "var(--ink)",
          fontSize: 20,
          fontVariantNumeric: numerals,
          "& .MuiOutlinedInput-notchedOutline": { borderColor: "var(--edge)" },
          "&:hover .MuiOutlinedInput-notchedOutline": { borderColor: "var(--steel)" },
          "&.Mui-focused .MuiOutlinedInput-notchedOutline": { borderColor: "var(--verd)" },
          "&.Mui-error .MuiOutlinedInput-notchedOutline": { borderColor: "var(--pale)", borderStyle: "dashed" },
        },
      },
    },
    MuiInputLabel: {
      styleOverrides: {
        root: { color: "var(--ink2)", "&.Mui-focused": { color: "var(--verd)" }, "&.Mui-error": { color: "var(--pale)" } },
      },
    },
    MuiFormHelperText: {
      styleOverrides: {
        root: {
          color: "var(--ink2)",
          fontSize: 15,
          lineHeight: "20px",
          marginLeft: 2,
          "&.Mui-error": { color: "var(--pale)", fontWeight: 600 },
        },
      },
    },
    MuiSelect: { styleOverrides: { icon: { color: "var(--ink2)" } } },
    MuiMenuItem: {
      styleOverrides: {
        root: { minHeight: 48, whiteSpace: "normal", "&.Mui-selected": { backgroundColor: "var(--verd-body)", color: "var(--verd-on)" } },
      },
    },
    MuiToggleButton: {
      styleOverrides: {
        root: {
          textTransform: "none",
          minHeight: 48,
          padding: "6px 16px",
          fontSize: 17,
          color: "var(--ink2)",
          borderColor: "var(--edge)",
          "&.Mui-selected, &.Mui-selected:hover": {
            backgroundColor: "var(--verd-body)",
            color: "var(--verd-on)",
            borderColor: "var(--verd-edge)",
          },
        },
      },
    },
    MuiSnackbarContent: {
      styleOverrides: { root: { backgroundColor: "var(--lift)", color: "var(--ink)", border: "1px solid var(--line2)", fontSize: 17 } },
    },
    MuiTooltip: { defaultProps: { enterTouchDelay: 0 } },
  },
});
