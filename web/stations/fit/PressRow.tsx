import Box from '@mui/material/Box'
import ButtonBase from '@mui/material/ButtonBase'
import type { ReactNode } from 'react'

/** A row that is pressed to be looked at: what it says, and below it what opens. */
export function PressRow({ open, toggle, says, children }: { open: boolean; toggle: () => void; says: ReactNode; children?: ReactNode }) {
  return (
    <Box component="li" sx={{ borderBottom: 1, borderColor: 'divider' }}>
      <ButtonBase
        onClick={toggle}
        aria-expanded={open}
        sx={{
          display: 'block',
          width: '100%',
          textAlign: 'left',
          py: 0.9,
          pl: 1,
          pr: 0.5,
          font: 'inherit',
          bgcolor: open ? (t) => t.inks.sheet : undefined,
          borderLeft: 3,
          borderColor: open ? 'primary.main' : 'transparent',
        }}
      >
        {says}
      </ButtonBase>
      {open && children}
    </Box>
  )
}
