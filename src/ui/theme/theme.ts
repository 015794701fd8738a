'use client';
import { createTheme } from '@mui/material/styles';
import { GROUNDS } from '@/core/palette/palette';
import type { Scheme } from '@/core/palette/palette';

const TEXT = "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif";
const HEADING = "'Bricolage Grotesque Variable', system-ui, sans-serif";

const palette = (scheme: Scheme) => {
  const g = GROUNDS[scheme];
  return {
    palette: {
      primary: { main: g.spruce, contrastText: g.onSpruce },
      error: { main: g.error },
      background: { default: g.paper, paper: g.card },
      text: { primary: g.ink, secondary: g.soft },
      divider: g.rule,
    },
  };
};

/** The one place where MUI's look is overridden; it is used for behaviour and accessibility. */
export const theme = createTheme({
  cssVariables: { colorSchemeSelector: 'media' },
  colorSchemes: { light: palette('light'), dark: palette('dark') },
  shape: { borderRadius: 5 },
  typography: {
    fontFamily: TEXT,
    fontSize: 14,
    h1: { fontFamily: HEADING },
    button: { textTransform: 'none', fontWeight: 600 },
  },
  components: {
    MuiButtonBase: { defaultProps: { disableRipple: true } },
    MuiButton: {
      defaultProps: { disableElevation: true },
      styleOverrides: {
        root: {
          padding: '6px 16px',
          minHeight: 36,
          '&:focus-visible': { outline: '2px solid var(--spruce)', outlineOffset: 2 },
        },
        startIcon: { marginLeft: -3, marginRight: 5, '& > *:nth-of-type(1)': { fontSize: 16 } },
        outlined: { borderColor: 'var(--edge)', color: 'var(--spruce)', backgroundColor: 'var(--card)' },
      },
    },
    MuiIconButton: {
      styleOverrides: {
        root: {
          borderRadius: 5,
          color: 'var(--soft)',
          '&:focus-visible': { outline: '2px solid var(--spruce)', outlineOffset: 1 },
        },
      },
    },
    MuiPopover: {
      defaultProps: { elevation: 0, transitionDuration: 0 },
      styleOverrides: { paper: { border: '1px solid var(--edge)', backgroundImage: 'none' } },
    },
    MuiOutlinedInput: {
      styleOverrides: {
        // On a phone no smaller than 16 px, or the browser zooms in when a field is entered.
        root: {
          backgroundColor: 'var(--card)',
          fontVariantNumeric: 'tabular-nums',
          fontSize: 16,
          '@media (min-width: 761px)': { fontSize: 14 },
        },
        input: { padding: '7px 10px', height: 'auto' },
        multiline: { padding: '7px 10px', '& textarea': { padding: 0 } },
        notchedOutline: { borderColor: 'var(--edge)' },
      },
    },
    MuiFormHelperText: {
      styleOverrides: {
        root: { marginLeft: 0, color: 'var(--soft)', '&.Mui-error': { color: 'var(--error)' } },
      },
    },
    MuiCheckbox: { styleOverrides: { root: { padding: 4, color: 'var(--edge)' } } },
    MuiRadio: { styleOverrides: { root: { padding: 4, color: 'var(--edge)' } } },
    MuiFormControlLabel: {
      styleOverrides: {
        root: { marginLeft: -4, marginRight: 12 },
        label: { font: 'inherit', lineHeight: 1.35 },
      },
    },
    // Above the words of the navigation, which stand at the foot of a phone.
    MuiSnackbar: { styleOverrides: { root: { '@media (max-width: 760px)': { bottom: 70 } } } },
    MuiSnackbarContent: {
      styleOverrides: { root: { backgroundColor: 'var(--ink)', color: 'var(--paper)', borderRadius: 5 } },
    },
  },
});
