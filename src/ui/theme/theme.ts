import { createTheme } from '@mui/material/styles';

/** Paper and ink round dark pictures; amber and blue belong to athlete and reference alone. */
export const theme = createTheme({
  palette: {
    mode: 'light',
    primary: { main: '#22464a' },
    secondary: { main: '#6b4f7a' },
    info: { main: '#3d4f58' },
    warning: { main: '#7a5a10' },
    background: { default: '#f3efe6', paper: '#fbf9f4' },
    text: { primary: '#20262a', secondary: '#545c61' },
    divider: '#d8d2c4',
  },
  typography: {
    fontFamily: '"Public Sans Variable", system-ui, sans-serif',
    fontSize: 13,
    button: { textTransform: 'none', fontWeight: 600 },
    h1: { fontSize: '1.55rem', fontWeight: 700 },
    h2: { fontSize: '1.15rem', fontWeight: 700 },
    h3: { fontSize: '0.95rem', fontWeight: 700 },
  },
  shape: { borderRadius: 6 },
  // Who asked the system for less motion gets none.
  motion: { reducedMotion: 'system' },
  components: {
    MuiButton: { defaultProps: { size: 'small', disableElevation: true } },
    MuiIconButton: { defaultProps: { size: 'small' } },
    MuiTextField: { defaultProps: { size: 'small' } },
    MuiSelect: { defaultProps: { size: 'small' } },
    MuiTooltip: { defaultProps: { arrow: true, enterDelay: 400 } },
  },
});
