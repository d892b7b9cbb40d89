import Box from '@mui/material/Box'
import Popover from '@mui/material/Popover'
import Typography from '@mui/material/Typography'
import { type MouseEvent, type ReactNode, useState } from 'react'
import type { Figure } from '../../core/figure/figure'
import { figureText, withLengths } from '../../core/quantity/figureText'
import { useUnits } from '../quantity/units'
import { FIGURES } from '../theme/theme'

/** Formula, the numbers put into it, the source and what was assumed. */
export function Working({ figure }: { figure: Figure }) {
  const units = useUnits()
  return (
    <Box sx={{ mb: 1.5 }}>
      <Typography variant="h3" component="h4">
        {figure.name}
      </Typography>
      <Box component="p" sx={{ m: 0, fontFamily: FIGURES, fontSize: 17, fontWeight: 500 }}>
        {figureText(figure.value, figure.unit, units)}
        {figure.range && Math.abs(figure.range[1] - figure.range[0]) > 1e-9 ? (
          <Box component="span" sx={{ color: 'text.secondary', fontSize: 13, ml: 1 }}>
            {figureText(figure.range[0], figure.unit, units)} to {figureText(figure.range[1], figure.unit, units)}
          </Box>
        ) : null}
      </Box>
      <Box component="p" sx={{ my: 0.5, fontFamily: FIGURES, borderLeft: 3, borderColor: 'primary.main', pl: 1 }}>
        {figure.formula}
      </Box>
      {figure.with.length > 0 && (
        <Box component="dl" sx={{ m: 0, display: 'grid', gridTemplateColumns: 'auto 1fr auto', columnGap: 1, fontSize: 13 }}>
          {figure.with.map((w, i) => (
            <Box key={i} sx={{ display: 'contents' }}>
              <Box component="dt" sx={{ fontFamily: FIGURES, fontWeight: 500 }}>
                {w.symbol}
              </Box>
              <Box component="dd" sx={{ m: 0, color: 'text.secondary' }}>
                {w.name}
              </Box>
              <Box
                component="dd"
                sx={{ m: 0, fontFamily: FIGURES, textAlign: 'right', color: w.value === null ? 'error.main' : undefined }}
              >
                {w.value === null ? 'missing' : figureText(w.value, w.unit, units)}
              </Box>
            </Box>
          ))}
        </Box>
      )}
      <Typography variant="caption" component="p" sx={{ color: 'text.secondary', mt: 0.5 }}>
        Source: {figure.source}
      </Typography>
      {figure.notes?.map((n) => (
        <Typography key={n} variant="caption" component="p" sx={{ mt: 0.5 }}>
          {withLengths(n, units)}.
        </Typography>
      ))}
      {figure.assumes.map((a) => (
        <Typography key={a} variant="caption" component="p" sx={{ color: 'text.secondary' }}>
          Assumes {a}
        </Typography>
      ))}
    </Box>
  )
}

/** A number that opens its working where it stands. */
export function WhyButton({
  label,
  children,
  content,
  sx,
}: {
  label: string
  children: ReactNode
  content: ReactNode | (() => ReactNode)
  sx?: object
}) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null)
  return (
    <>
      <Box
        component="button"
        type="button"
        aria-label={`${label}: show the working`}
        aria-haspopup="dialog"
        onClick={(e: MouseEvent<HTMLElement>) => setAnchor(e.currentTarget)}
        sx={{
          all: 'unset',
          cursor: 'help',
          boxSizing: 'border-box',
          fontFamily: FIGURES,
          fontWeight: 500,
          textDecoration: 'underline dotted',
          textUnderlineOffset: 3,
          textDecorationColor: 'currentcolor',
          '&:focus-visible': { outline: '2px solid', outlineOffset: 2 },
          ...sx,
        }}
      >
        {children}
      </Box>
      <Popover
        open={anchor !== null}
        anchorEl={anchor}
        onClose={() => setAnchor(null)}
        anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
        slotProps={{
          paper: {
            role: 'dialog',
            'aria-label': `Working of ${label}`,
            sx: { p: 2, width: 380, maxWidth: '94vw', border: 1, borderColor: 'divider' },
          },
        }}
      >
        {anchor && (typeof content === 'function' ? content() : content)}
      </Popover>
    </>
  )
}

export function FigureValue({ figure }: { figure: Figure }) {
  const units = useUnits()
  return (
    <WhyButton label={figure.name} content={<Working figure={figure} />}>
      {figureText(figure.value, figure.unit, units)}
    </WhyButton>
  )
}
