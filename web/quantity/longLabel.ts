/** A label with more letters than this does not fit into the edge of its field: it stands above it, on as many lines as it needs. */
const FITS = 26

export const longLabel = (label: string, hidden?: boolean): object =>
  hidden || label.length <= FITS
    ? {}
    : {
        justifyContent: 'flex-end',
        '& > .MuiInputLabel-root': {
          position: 'static',
          transform: 'none',
          whiteSpace: 'normal',
          fontSize: '0.76rem',
          lineHeight: 1.25,
          mb: 0.25,
        },
        '& fieldset': { top: 0 },
        '& legend': { display: 'none' },
      }
