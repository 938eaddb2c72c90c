import { createTheme } from '@mui/material/styles';

/** MUI drawn in the tokens' values: every colour is a variable, so that dark mode is the tokens' alone. */
export const theme = createTheme({
  cssVariables: { nativeColor: true, colorSchemeSelector: '[data-mode="%s"]' },
  colorSchemes: { light: { palette: palette() }, dark: { palette: palette() } },
  shape: { borderRadius: 3 },
  spacing: 8,
  typography: {
    fontFamily: 'var(--face-text)',
    button: { textTransform: 'none', fontFamily: 'var(--face-head)', fontWeight: 700 },
  },
  components: {
    MuiButtonBase: { defaultProps: { disableRipple: true } },
    MuiButton: {
      defaultProps: { disableElevation: true },
      styleOverrides: {
        root: {
          minHeight: 44,
          fontSize: 'var(--size-text)',
          lineHeight: 1.2,
          padding: '8px 20px',
          // A press is answered at once; half-faded letters are none.
          transition: 'none',
          '&.MuiButton-sizeLarge': { minHeight: 64, fontSize: 'var(--size-lead)', padding: '8px 32px' },
          '&.MuiButton-outlined': {
            borderColor: 'var(--slate)',
            borderWidth: 'var(--line)',
            color: 'var(--slate)',
            background: 'var(--enamel-raised)',
          },
          '&.MuiButton-text': {
            color: 'var(--slate)',
            textDecoration: 'underline',
            textUnderlineOffset: 3,
            padding: '8px',
            margin: '-8px 0',
            minWidth: 44,
            fontFamily: 'var(--face-text)',
            fontWeight: 400,
          },
          '&.MuiButton-text.MuiButton-sizeSmall': { fontSize: 'var(--size-note)' },
          '&.Mui-disabled': { opacity: 0.55 },
        },
      },
    },
    MuiOutlinedInput: {
      styleOverrides: {
        root: {
          background: 'var(--enamel-raised)',
          minHeight: 44,
          '& .MuiOutlinedInput-notchedOutline': { borderColor: 'var(--slate-soft)' },
          '&:hover .MuiOutlinedInput-notchedOutline': { borderColor: 'var(--slate)' },
          '&.Mui-focused .MuiOutlinedInput-notchedOutline': { borderColor: 'var(--carrot)', borderWidth: 2 },
          '&.Mui-error .MuiOutlinedInput-notchedOutline': { borderColor: 'var(--beet)', borderWidth: 2 },
        },
        input: { padding: '10px 12px', color: 'var(--slate)' },
      },
    },
    MuiAutocomplete: {
      styleOverrides: {
        root: {
          '& .MuiOutlinedInput-root.MuiOutlinedInput-root': { padding: 0 },
          '& .MuiOutlinedInput-root .MuiAutocomplete-input.MuiAutocomplete-input': { padding: '10px 12px' },
        },
        option: { minHeight: 44 },
      },
    },
    MuiPaper: {
      styleOverrides: {
        root: {
          backgroundImage: 'none',
          boxShadow: 'none',
          border: 'var(--line) solid var(--slate)',
          color: 'var(--slate)',
        },
      },
    },
    MuiMenuItem: { styleOverrides: { root: { minHeight: 56, fontSize: 'var(--size-lead)' } } },
    MuiAccordion: {
      defaultProps: { disableGutters: true, elevation: 0, square: true },
      styleOverrides: {
        root: { border: 0, background: 'none', margin: 0, '&::before': { display: 'none' } },
      },
    },
    MuiAccordionSummary: {
      styleOverrides: {
        root: { minHeight: 44, padding: 0, gap: 8, justifyContent: 'start', alignItems: 'baseline' },
        content: {
          margin: '10px 0',
          gap: 12,
          flexGrow: 0,
          textDecoration: 'underline',
          textUnderlineOffset: 3,
          textDecorationColor: 'var(--slate-soft)',
        },
        expandIconWrapper: {
          order: -1,
          color: 'var(--slate)',
          fontWeight: 700,
          width: 12,
          justifyContent: 'center',
          transition: 'none',
          '&.Mui-expanded': { transform: 'rotate(90deg)' },
        },
      },
    },
    MuiAccordionDetails: { styleOverrides: { root: { padding: '0 0 16px' } } },
    MuiAlert: {
      styleOverrides: {
        root: {
          border: 0,
          borderLeft: '6px solid var(--honey)',
          borderRadius: 0,
          background: 'none',
          padding: '4px 0 4px 12px',
          color: 'var(--slate)',
          fontSize: 'var(--size-note)',
          lineHeight: 1.4,
          maxWidth: '72ch',
          '&.MuiAlert-colorError': {
            borderColor: 'var(--beet)',
            background: 'var(--beet-pale)',
            padding: '4px 12px',
            fontWeight: 600,
          },
          '&.MuiAlert-filled': {
            background: 'var(--beet-pale)',
            padding: '12px 16px',
            fontSize: 'var(--size-text)',
            fontWeight: 600,
            maxWidth: 'none',
          },
        },
        message: { padding: 0 },
      },
    },
    MuiBottomNavigation: { styleOverrides: { root: { height: 'auto', background: 'none' } } },
    MuiBottomNavigationAction: {
      styleOverrides: {
        root: { flex: '0 0 auto', minWidth: 0, maxWidth: 'none', transition: 'none' },
        label: { font: 'inherit', '&.Mui-selected': { font: 'inherit' } },
      },
    },
    MuiIconButton: { styleOverrides: { root: { minWidth: 44, minHeight: 44, borderRadius: 3 } } },
    MuiLinearProgress: {
      styleOverrides: {
        root: { height: 6, background: 'var(--edge)' },
        bar: { background: 'var(--carrot)' },
      },
    },
    MuiSnackbar: {
      defaultProps: { anchorOrigin: { vertical: 'bottom', horizontal: 'center' } },
      styleOverrides: { root: { '@media (max-width: 900px)': { bottom: 88, left: 8, right: 8 } } },
    },
    MuiSnackbarContent: {
      styleOverrides: {
        root: {
          border: 0,
          background: 'var(--slate)',
          color: 'var(--enamel)',
          padding: '4px 12px 4px 20px',
          fontSize: 'var(--size-text)',
          fontWeight: 600,
          flexWrap: 'nowrap',
          flexGrow: 1,
        },
        action: { gap: 8, marginRight: 0, whiteSpace: 'nowrap' },
      },
    },
    MuiStepper: { styleOverrides: { root: { gap: '0 24px', flexWrap: 'wrap' } } },
    MuiStep: { styleOverrides: { root: { padding: 0 } } },
    MuiStepIcon: { defaultProps: {}, styleOverrides: { root: { display: 'none' } } },
    MuiStepLabel: {
      styleOverrides: {
        label: { fontFamily: 'var(--face-head)', fontSize: 'var(--size-text)', fontWeight: 600, color: 'var(--slate)' },
      },
    },
    MuiToggleButton: {
      styleOverrides: {
        root: {
          border: 'var(--line) solid var(--slate)',
          background: 'var(--enamel-raised)',
          color: 'var(--slate)',
          minHeight: 44,
          padding: '4px 16px',
          fontFamily: 'var(--face-text)',
          fontSize: 'var(--size-text)',
          fontWeight: 400,
          lineHeight: 1.2,
          textTransform: 'none',
          '&.Mui-selected, &.Mui-selected:hover': { background: 'var(--slate)', color: 'var(--enamel)' },
        },
      },
    },
    MuiTooltip: {
      styleOverrides: {
        tooltip: {
          background: 'var(--slate)',
          color: 'var(--enamel)',
          borderRadius: 3,
          fontSize: 'var(--size-note)',
          fontWeight: 400,
        },
      },
    },
    MuiCheckbox: { styleOverrides: { root: { color: 'var(--slate)', padding: 10 } } },
  },
});

function palette() {
  return {
    primary: { main: 'var(--carrot)', light: 'var(--carrot)', dark: 'var(--carrot)', contrastText: 'var(--on-carrot)' },
    error: { main: 'var(--beet)', light: 'var(--beet)', dark: 'var(--beet)', contrastText: 'var(--enamel)' },
    text: { primary: 'var(--slate)', secondary: 'var(--slate-soft)', disabled: 'var(--slate-soft)' },
    background: { default: 'var(--enamel)', paper: 'var(--enamel-raised)' },
    divider: 'var(--edge)',
  };
}
