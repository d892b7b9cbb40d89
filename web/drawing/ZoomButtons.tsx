import Add from '@mui/icons-material/Add'
import FitScreen from '@mui/icons-material/FitScreenOutlined'
import Remove from '@mui/icons-material/Remove'
import Box from '@mui/material/Box'
import IconButton from '@mui/material/IconButton'

/** Nearer, farther, all of it: in the corner of a view. */
export function ZoomButtons({ by, nearer, farther, all }: { by: number; nearer: () => void; farther: () => void; all: () => void }) {
  const buttons = [
    ['Nearer', Add, nearer, false],
    ['Farther', Remove, farther, by <= 1],
    ['All of it', FitScreen, all, by <= 1],
  ] as const
  return (
    <Box
      sx={{ position: 'absolute', left: 6, bottom: 6, display: 'flex', bgcolor: (t) => t.inks.sheet, border: 1, borderColor: 'divider' }}
    >
      {buttons.map(([name, Icon, act, off]) => (
        <IconButton
          key={name}
          size="small"
          aria-label={name}
          title={name}
          onClick={act}
          disabled={off}
          // large as a thumb they hide what they are for: only those that do something are there
          sx={{ borderRadius: 0, p: 0.5, '&.Mui-disabled': { '@media (pointer: coarse)': { display: 'none' } } }}
        >
          <Icon fontSize="small" />
        </IconButton>
      ))}
    </Box>
  )
}
