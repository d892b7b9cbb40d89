import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { type Bound, endsOf, type HeightWindow } from '../../../core/fit/heightBounds'
import { figureText } from '../../../core/quantity/figureText'
import { WhyButton } from '../../figure/Working'
import { useHeights } from '../../job/useFit'
import { useUnits } from '../../quantity/units'
import { Group } from '../Group'
import { HeightScale } from './HeightScale'
import { Takers } from './Takers'

/** The lowest and the highest that each set of joined pieces may stand, by what, and the room between. */
export function Heights() {
  const heights = useHeights()
  const shown = Array.isArray(heights) ? heights.filter((w) => w.lower.length || w.higher.length) : null
  if (shown && !shown.length) return null
  return (
    <Group title="How low, how high">
      {heights && 'fault' in heights ? (
        <Typography role="alert" color="error" variant="body2">
          How low and how high it may be could not be worked out: {heights.fault}
        </Typography>
      ) : !shown ? (
        <Typography role="status" variant="body2" sx={{ color: 'text.secondary' }}>
          Moving it down and up…
        </Typography>
      ) : (
        shown.map((w) => <Window key={w.id} window={w} several={shown.length > 1} />)
      )}
    </Group>
  )
}

function Window({ window: w, several }: { window: HeightWindow; several: boolean }) {
  const units = useUnits()
  const ends = endsOf(w)
  const text = (mm: number) => figureText(mm, 'mm', units)
  return (
    <Box component="section" aria-label={`How low, how high: ${w.name}`} sx={{ borderBottom: 1, borderColor: 'divider', pb: 1 }}>
      {several && (
        <Typography variant="body2" sx={{ fontWeight: 600 }}>
          {w.name}
        </Typography>
      )}
      <HeightScale topMm={w.topMm} ends={ends} />
      <Typography variant="body2" sx={{ color: (t) => (ends.roomMm !== null && ends.roomMm < 0 ? t.inks.signal : undefined) }}>
        {ends.roomMm === null
          ? ''
          : ends.roomMm < 0
            ? `▲ No height suits all of it: ${text(-ends.roomMm)} too little.`
            : `Room between: ${text(ends.roomMm)}.`}
        {ends.lacks.length > 0 ? ` Not known, so it may be less: ${[...new Set(ends.lacks)].join(', ')}.` : ''}
      </Typography>
      <Side title="It may come down" beyond="It must go up" bounds={w.lower} none="Nothing below it was found within reach." />
      <Side
        title="It may go up"
        beyond="It must come down"
        bounds={w.higher}
        none="Nothing above it is known: tell what is driven under in the brief."
      />
    </Box>
  )
}

function Side({ title, beyond, bounds, none }: { title: string; beyond: string; bounds: Bound[]; none: string }) {
  const units = useUnits()
  if (!bounds.length)
    return (
      <Typography variant="caption" component="p" sx={{ color: 'text.secondary' }}>
        {none}
      </Typography>
    )
  return (
    <Box component="ul" sx={{ listStyle: 'none', m: 0, mt: 0.5, p: 0, fontSize: 14 }}>
      {bounds.map((b) => (
        <Box component="li" key={b.id + b.name} sx={{ display: 'flex', justifyContent: 'space-between', gap: 1, alignItems: 'baseline' }}>
          <span>
            {b.mm !== null && b.mm < 0 ? beyond : title}: {b.name}
          </span>
          <Box
            component="span"
            sx={{ whiteSpace: 'nowrap', color: (t) => (b.mm === null ? t.inks.unknown : b.mm < 0 ? t.inks.signal : undefined) }}
          >
            {b.nominalMm === null ? (
              `not known: ${b.lacks}`
            ) : (
              <WhyButton
                label={b.name}
                sx={{ display: 'inline-block', minHeight: 24, lineHeight: '24px' }}
                content={() => (
                  <Takers as="Straight, as drawn" gapMm={b.nominalMm!} takers={b.takers} worstMm={b.mm} likelyMm={b.likelyMm} unit="mm" />
                )}
              >
                {b.mm === null ? 'measure here' : figureText(Math.abs(b.mm), 'mm', units)}
              </WhyButton>
            )}
          </Box>
        </Box>
      ))}
    </Box>
  )
}
