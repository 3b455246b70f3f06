/** The MUI theme, built from the tokens. Components use var(--token), never a color of their own. */
import { createTheme, type Theme } from '@mui/material';
import { DARK, LIGHT, type Tokens } from './tokens.ts';

export type Scheme = 'light' | 'dark';

export function themeFor(scheme: Scheme): Theme {
  const t: Tokens = scheme === 'light' ? LIGHT : DARK;
  return createTheme({
    palette: {
      mode: scheme,
      primary: { main: t.chalk, contrastText: t.sheet },
      secondary: { main: t.ink, contrastText: t.onInk },
      error: { main: t.madder },
      warning: { main: t.ochre },
      success: { main: t.sage },
      background: { default: t.paper, paper: t.sheet },
      text: { primary: t.ink, secondary: t.pencil },
      divider: t.hairline,
    },
    shape: { borderRadius: 4 },
    typography: {
      fontFamily: "'Barlow', sans-serif",
      fontSize: 14,
      button: { textTransform: 'none', fontWeight: 500 },
      h1: { fontSize: 26, fontWeight: 600, lineHeight: 1.2 },
      h2: { fontSize: 19, fontWeight: 600, lineHeight: 1.25 },
      h3: { fontSize: 16, fontWeight: 600 },
      body2: { fontSize: 14 },
      caption: { fontSize: 13 },
    },
    components: {
      MuiButtonBase: {
        defaultProps: { disableRipple: true },
        // The library removes the focus outline; keyboard users need it.
        styleOverrides: { root: { '&:focus-visible, &.Mui-focusVisible': { outline: `2px solid ${t.chalk}`, outlineOffset: 2 } } },
      },
      MuiButton: { defaultProps: { size: 'small', color: 'secondary' }, styleOverrides: { outlined: { borderColor: t.border, backgroundColor: t.sheet } } },
      MuiToggleButton: { styleOverrides: { root: { color: t.pencil, borderColor: t.border } } },
      MuiOutlinedInput: { styleOverrides: { notchedOutline: { borderColor: t.border }, input: { fontVariantNumeric: 'tabular-nums' } } },
      MuiTextField: { defaultProps: { size: 'small', fullWidth: true } },
      MuiSelect: { defaultProps: { size: 'small' } },
      MuiInputLabel: { styleOverrides: { root: { color: t.pencil } } },
      MuiTooltip: { styleOverrides: { tooltip: { backgroundColor: t.ink, color: t.onInk, fontSize: 13 } } },
      MuiTableCell: { styleOverrides: { root: { borderColor: t.hairline, padding: '5px 10px' } } },
      MuiPaper: { styleOverrides: { root: { backgroundImage: 'none' } } },
    },
  });
}
