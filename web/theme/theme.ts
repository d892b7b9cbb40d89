import '@fontsource/barlow/latin-400.css'
import '@fontsource/barlow/latin-500.css'
import '@fontsource/barlow/latin-600.css'
import '@fontsource/barlow-semi-condensed/latin-500.css'
import './signs.css'
import { createTheme, type Theme } from '@mui/material/styles'

export type LookName = 'paper' | 'bay'

/** Colours with a meaning of their own, beside the MUI palette. */
export type Inks = {
  sheet: string
  line: string
  quiet: string
  water: string
  waterDeep: string
  member: string
  memberFill: string
  cargo: string
  cargoFill: string
  vehicle: string
  likeness: string
  glass: string
  /** the vehicle in the round: its paint, its glass, its tyres */
  bodyPaint: string
  bodyGlass: string
  tyre: string
  roofFill: string
  mount: string
  obstacle: string
  dimension: string
  signal: string
  near: string
  unknown: string
  clear: string
  selected: string
}
declare module '@mui/material/styles' {
  interface Theme {
    inks: Inks
  }
  interface ThemeOptions {
    inks?: Inks
  }
}

/** Chart paper and ink for the bench; a dim one for the bay at night. The signal red is kept for limits. */
const LOOKS: Record<LookName, { paper: string; raised: string; ink: string; primary: string; inks: Inks }> = {
  paper: {
    paper: '#f3efe4',
    raised: '#fbf9f3',
    ink: '#15302e',
    primary: '#0b6560',
    inks: {
      sheet: '#fdfcf8',
      line: '#cfc8b6',
      quiet: '#566462',
      water: '#8cc4bd',
      waterDeep: '#3f938b',
      member: '#15302e',
      memberFill: '#b9cbc7',
      cargo: '#6a5632',
      cargoFill: '#ead9b0',
      vehicle: '#98a29c',
      likeness: '#c4cbc6',
      glass: '#e9f0ef',
      bodyPaint: '#d9ddd6',
      bodyGlass: '#5f7478',
      tyre: '#333d3c',
      roofFill: '#f1efe7',
      mount: '#0b8079',
      obstacle: '#8a5a00',
      dimension: '#0b5f5a',
      signal: '#b3261e',
      near: '#855200',
      unknown: '#5a4a86',
      clear: '#1d6b45',
      selected: '#c25e00',
    },
  },
  bay: {
    paper: '#10201f',
    raised: '#182b2a',
    ink: '#dfe9e5',
    primary: '#6cc9bf',
    inks: {
      sheet: '#132524',
      line: '#36504d',
      quiet: '#9fb3af',
      water: '#2f7a73',
      waterDeep: '#6cc9bf',
      member: '#dfe9e5',
      memberFill: '#46625e',
      cargo: '#e0c68a',
      cargoFill: '#4d4328',
      vehicle: '#6f8581',
      likeness: '#3f5551',
      glass: '#1d3432',
      bodyPaint: '#5b6f6b',
      bodyGlass: '#1b2c2d',
      tyre: '#0c1414',
      roofFill: '#1a302e',
      mount: '#6cc9bf',
      obstacle: '#e0b050',
      dimension: '#8fd6cd',
      signal: '#ff8a7d',
      near: '#f0b54d',
      unknown: '#c0b1ee',
      clear: '#7fd6a8',
      selected: '#ffb066',
    },
  },
}
export const FIGURES = '"Barlow Semi Condensed", "Barlow", "Signs", sans-serif'

/** `motion`: as the person's system asks, or never any, where a test would only wait for it. */
/** Where a thumb presses instead of a mouse, everything that is pressed is as large as one. */
const THUMB = { '@media (pointer: coarse)': { minHeight: 44 } }

export function themeOf(name: LookName, motion: 'system' | 'always' = 'system'): Theme {
  const look = LOOKS[name]
  return createTheme({
    motion: { reducedMotion: motion },
    inks: look.inks,
    palette: {
      mode: name === 'paper' ? 'light' : 'dark',
      primary: { main: look.primary, contrastText: name === 'paper' ? '#ffffff' : '#08201e' },
      error: { main: look.inks.signal },
      warning: { main: look.inks.near },
      background: { default: look.paper, paper: look.raised },
      text: { primary: look.ink, secondary: look.inks.quiet },
      divider: look.inks.line,
    },
    shape: { borderRadius: 3 },
    spacing: 8,
    typography: {
      fontFamily: '"Barlow", "Signs", sans-serif',
      fontSize: 14,
      htmlFontSize: 16,
      h1: { fontSize: '1.35rem', fontWeight: 600 },
      h2: { fontSize: '1.02rem', fontWeight: 600 },
      h3: { fontSize: '0.9rem', fontWeight: 600 },
      body2: { fontSize: '0.875rem' },
      caption: { fontSize: '0.78rem', lineHeight: 1.35 },
      // smaller or heavier, the dots of its i drown
      button: { textTransform: 'none', fontWeight: 500, fontSize: '0.9rem' },
    },
    components: {
      MuiCssBaseline: {
        styleOverrides: {
          // a path, an address or a name of one long word breaks before it runs off the side
          body: { fontVariantNumeric: 'tabular-nums', overflowWrap: 'break-word' },
          '*:focus-visible': { outline: `3px solid ${look.inks.selected}`, outlineOffset: 1 },
          // where the control itself is not what one sees, its frame carries the ring
          '.MuiOutlinedInput-root:has(:focus-visible) .MuiOutlinedInput-notchedOutline': {
            borderWidth: 3,
            borderColor: `${look.inks.selected} !important`,
          },
          '.MuiInputBase-root:not(.MuiOutlinedInput-root):has(:focus-visible), .MuiSwitch-root:has(:focus-visible)': {
            outline: `3px solid ${look.inks.selected}`,
            outlineOffset: 1,
          },
          '.MuiInputBase-root :focus-visible, .MuiSwitch-root :focus-visible': { outline: 'none' },
          '@media (prefers-reduced-motion: reduce)': { '*': { transition: 'none !important', animation: 'none !important' } },
          '@media print': { 'header, nav': { display: 'none !important' } },
        },
      },
      MuiButton: { defaultProps: { disableElevation: true, size: 'small' }, styleOverrides: { root: { fontSize: '0.9rem', ...THUMB } } },
      MuiIconButton: { styleOverrides: { root: { '@media (pointer: coarse)': { minWidth: 44, minHeight: 44 } } } },
      MuiTab: { styleOverrides: { root: THUMB } },
      MuiButtonBase: { defaultProps: { disableRipple: true } },
      MuiTextField: { defaultProps: { size: 'small', variant: 'outlined', fullWidth: true } },
      MuiOutlinedInput: {
        styleOverrides: {
          root: { backgroundColor: look.inks.sheet },
          input: {
            ...{ paddingTop: 7, paddingBottom: 7, fontFamily: FIGURES, fontWeight: 500 },
            '@media (pointer: coarse)': { paddingTop: 11, paddingBottom: 11 },
          },
        },
      },
      MuiInputLabel: {
        styleOverrides: {
          root: {
            fontSize: '1rem',
            '&.MuiInputLabel-sizeSmall:not(.MuiInputLabel-shrink)': { transform: 'translate(14px, 7px) scale(0.95)' },
          },
        },
      },
      MuiFormControlLabel: { styleOverrides: { label: { fontSize: '0.92rem', lineHeight: 1.3 } } },
      MuiFormHelperText: { styleOverrides: { root: { marginLeft: 2, fontSize: '0.76rem' } } },
      MuiSelect: { defaultProps: { size: 'small' }, styleOverrides: { select: { whiteSpace: 'normal' } } },
      MuiToggleButton: { styleOverrides: { root: { ...THUMB, color: look.inks.quiet, '&.Mui-selected': { color: look.ink } } } },
      MuiAlert: {
        styleOverrides: {
          root: { border: `1px solid ${look.inks.line}`, backgroundColor: look.raised, color: look.ink, borderLeftWidth: 4 },
        },
        variants: (
          [
            ['info', look.inks.waterDeep],
            ['success', look.inks.clear],
            ['warning', look.inks.near],
            ['error', look.inks.signal],
          ] as const
        ).map(([severity, colour]) => ({ props: { severity }, style: { borderLeftColor: colour } })),
      },
      MuiTooltip: { defaultProps: { enterDelay: 500 } },
      MuiTableCell: {
        styleOverrides: {
          root: { padding: '4px 8px', borderColor: look.inks.line },
          head: { fontWeight: 600, color: look.inks.quiet, fontSize: '0.8rem' },
        },
      },
      MuiDialog: { defaultProps: { fullWidth: true } },
    },
  })
}
