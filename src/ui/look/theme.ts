'use client';

import { createTheme } from '@mui/material/styles';

/** The look: chalk paper, beams and rules, square corners, no shadows. Every colour is written here and nowhere else. */

const TEXT = "'Oaken Numerals', 'Atkinson Hyperlegible Next Variable', system-ui, sans-serif";
const HEADING = "'Literata Variable', Georgia, serif";
/** The class screen is dark whatever else is light: it stands in a dim room. */
const ROOM = {
  wall: '#17140F',
  lit: '#F5EAD6',
  unlit: '#453A2B',
  faint: '#B3A48B',
  marker: '#F3C978',
  beam: '#A9783F',
  in: '#C3D6A8',
  out: '#A6D4E4',
  soft: '#D9CBB0',
  rule: '#8A6F4A',
  alarm: '#45190E',
  alarmRule: '#EF9C85',
} as const;

/** Colours beside those that MUI has names for. */
interface OurColours {
  readonly oak: string;
  readonly paleOak: string;
  readonly hatch: string;
  readonly lichenTint: string;
  readonly riverTint: string;
  readonly clayTint: string;
}

declare module '@mui/material/styles' {
  interface Palette {
    readonly ours: OurColours;
    readonly room: typeof ROOM;
  }
  interface PaletteOptions {
    readonly ours?: OurColours;
    readonly room?: typeof ROOM;
  }
}

const heading = { fontFamily: HEADING, fontWeight: 600, letterSpacing: 0 };

export const theme = createTheme({
  cssVariables: { colorSchemeSelector: 'data-scheme' },
  colorSchemes: {
    light: {
      palette: {
        primary: { main: '#553A24', contrastText: '#FFFDF8' },
        secondary: { main: '#245E74' },
        error: { main: '#A2412A' },
        warning: { main: '#8A5E10' },
        success: { main: '#5D7048' },
        background: { default: '#F5F1E7', paper: '#FFFDF8' },
        text: { primary: '#23211C', secondary: '#5E574A' },
        divider: '#D8CDB6',
        ours: { oak: '#8A6238', paleOak: '#E8D9BF', hatch: '#C49A6C', lichenTint: '#DDE4D0', riverTint: '#DCE5E8', clayTint: '#F6DFD6' },
        room: ROOM,
      },
    },
    dark: {
      palette: {
        primary: { main: '#E0B77F', contrastText: '#201A12' },
        secondary: { main: '#8CC0D2' },
        error: { main: '#F0917B' },
        warning: { main: '#E2B45A' },
        success: { main: '#A9C08D' },
        background: { default: '#1B1813', paper: '#26211A' },
        text: { primary: '#F3EBDC', secondary: '#C9BDA8' },
        divider: '#4A4032',
        ours: { oak: '#B98A55', paleOak: '#43372A', hatch: '#7D5D3A', lichenTint: '#333C29', riverTint: '#223841', clayTint: '#4A261C' },
        room: ROOM,
      },
    },
  },
  shape: { borderRadius: 2 },
  typography: {
    fontFamily: TEXT,
    fontSize: 13.2,
    body1: { fontSize: '0.95rem' },
    h1: { ...heading, fontSize: '1.85rem', lineHeight: 1.2 },
    h2: { ...heading, fontSize: '1.2rem', lineHeight: 1.3 },
    h3: { ...heading, fontSize: '1.02rem', lineHeight: 1.35 },
    button: { textTransform: 'none', fontWeight: 600, fontSize: '0.92rem' },
  },
  components: {
    MuiButtonBase: { defaultProps: { disableRipple: true } },
    MuiButton: {
      defaultProps: { disableElevation: true, variant: 'outlined', color: 'primary' },
      styleOverrides: {
        root: { minHeight: 36, paddingInline: 14, '&.Mui-focusVisible': { outline: '3px solid var(--river)', outlineOffset: 2 } },
        outlined: { borderColor: 'var(--oak)', backgroundColor: 'var(--plank)' },
      },
    },
    MuiTextField: { defaultProps: { size: 'small', fullWidth: true } },
    MuiFormControl: { defaultProps: { size: 'small' } },
    MuiOutlinedInput: {
      styleOverrides: {
        root: {
          backgroundColor: 'var(--plank)',
          '& .MuiOutlinedInput-notchedOutline': { borderWidth: '0 0 2px 0', borderColor: 'var(--oak)', borderRadius: 0 },
          '&:hover .MuiOutlinedInput-notchedOutline': { borderColor: 'var(--dark-oak)' },
          '&.Mui-focused .MuiOutlinedInput-notchedOutline': { borderWidth: '0 0 3px 0', borderColor: 'var(--river)' },
        },
      },
    },
    MuiInputLabel: {
      defaultProps: { shrink: true },
      styleOverrides: {
        root: {
          position: 'static',
          transform: 'none',
          fontSize: '0.86rem',
          fontWeight: 600,
          color: 'var(--soft-ink)',
          marginBottom: 3,
          '&.Mui-focused': { color: 'var(--ink)' },
        },
      },
    },
    MuiFormHelperText: { styleOverrides: { root: { marginInline: 0, fontSize: '0.84rem' } } },
    MuiCheckbox: { defaultProps: { size: 'small' } },
    MuiRadio: { defaultProps: { size: 'small' } },
    MuiSnackbarContent: {
      styleOverrides: { root: { background: 'var(--dark-oak)', color: 'var(--plank)', borderRadius: 0, boxShadow: 'none', fontSize: '0.95rem' } },
    },
    MuiPopover: {
      defaultProps: { elevation: 0 },
      styleOverrides: { paper: { border: '1px solid var(--rule)', borderTop: '3px solid var(--oak)', backgroundImage: 'none' } },
    },
    MuiDialog: { styleOverrides: { paper: { borderTop: '6px solid var(--oak)', boxShadow: 'none' } } },
    MuiLink: { defaultProps: { color: 'secondary', underline: 'always' }, styleOverrides: { root: { fontWeight: 600 } } },
  },
});
