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
