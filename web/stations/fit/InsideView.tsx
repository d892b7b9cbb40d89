import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useDeferredValue, useMemo, useState } from 'react'
import { checkInside, type InsideCheck } from '../../../core/inside/checkInside'
import { INSIDE_CAUTION, type Inside, lacksOf, roomLacks } from '../../../core/inside/inside'
import { stow, whatFrees } from '../../../core/inside/stow'
import { figureText, withLengths } from '../../../core/quantity/figureText'
import { FigureValue } from '../../figure/Working'
import { useUnits } from '../../quantity/units'
import { InsidePlan } from './InsidePlan'
import { setInside, setThing, turned } from './inside'

/** The floor with what rides on it: whether it fits as it stands, what comes out first, and the least width that it could take. */
export function InsideView({ inside }: { inside: Inside }) {
  const [chosen, setChosen] = useState<string | null>(null)
  const check = useMemo(() => checkInside(inside), [inside])
  const wrong = new Set(check.faults.flatMap((f) => f.ids))
  const measured = roomLacks(inside).length === 0
  const thing = inside.things.find((t) => t.id === chosen)
  return (
    <Box sx={{ height: '100%', display: 'flex', flexDirection: 'column', bgcolor: (t) => t.inks.sheet, minHeight: 0, overflowY: 'auto' }}>
      <Box sx={{ flex: '1 0 300px', minHeight: 240, p: 1 }}>
        {measured ? (
          <InsidePlan inside={inside} wrong={wrong} aisle={inside.aisleMm > 0 ? check.aisle : null} chosen={chosen} onChoose={setChosen} />
        ) : (
          <Typography sx={{ p: 2, color: 'text.secondary' }}>
            Measure the room beside this: it is drawn once its floor and height are known.
          </Typography>
        )}
      </Box>
      <Box sx={{ p: 2, display: 'grid', gap: 1, borderTop: 1, borderColor: 'divider' }}>
        {thing?.place && (
          <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
            <strong>{thing.name}</strong>
            <Button variant="outlined" onClick={() => thing.place && setThing(thing.id, { place: turned(thing.place) })}>
              Turn it (T)
            </Button>
            <Button variant="outlined" onClick={() => setThing(thing.id, { place: null })}>
              Take it out
            </Button>
          </Box>
        )}
        <Found check={check} inside={inside} />
        {measured && inside.things.length > 0 && <LeastWidth inside={inside} />}
      </Box>
    </Box>
  )
}

function Found({ check, inside }: { check: InsideCheck; inside: Inside }) {
  const units = useUnits()
  const { missing, faults, aisle, out, held, notStowed } = check
  const stowed = inside.things.length - notStowed.length
  const narrow = aisle !== null && aisle.widthMm < inside.aisleMm
  return (
    <Box role="status" sx={{ display: 'grid', gap: 0.75 }}>
      {missing.length > 0 && <Alert severity="info">Not assessed. Missing: {missing.join(', ')}.</Alert>}
      {faults.slice(0, 6).map((f) => (
        <Alert severity="error" key={f.says}>
          {withLengths(f.says, units)}
        </Alert>
      ))}
      {narrow && (
        <Alert severity="error">
          The widest way along it is {figureText(aisle.widthMm, 'mm', units)}; {figureText(inside.aisleMm, 'mm', units)} is to stay free.
        </Alert>
      )}
      {!missing.length && stowed > 0 && !faults.length && !narrow && (
        <Typography>
          {stowed === inside.things.length
            ? 'Everything has its room as it stands'
            : `${stowed} of ${inside.things.length} have their room as they stand`}
          {aisle ? `; widest way along it ${figureText(aisle.widthMm, 'mm', units)}` : ''}.
        </Typography>
      )}
      {notStowed.length > 0 && <Typography variant="body2">Not stowed yet: {notStowed.join(', ')}.</Typography>}
      {out.length > 1 && <Typography variant="body2">Out to the rear in this order: {out.map((o) => o.name).join(', ')}.</Typography>}
      {held.length > 0 && <Alert severity="warning">No straight way out to the rear: {held.join(', ')}.</Alert>}
      <Typography variant="caption" sx={{ color: 'text.secondary' }}>
        Nothing here says how it is held. {INSIDE_CAUTION}
      </Typography>
    </Box>
  )
}

/** The least width that all of it takes side by side, what a change would free, and one press to stow it so. */
function LeastWidth({ inside }: { inside: Inside }) {
  const units = useUnits()
  // the search follows a moment behind what is typed
  const settled = useDeferredValue(inside)
  const found = useMemo(() => stow(settled), [settled])
  const frees = useMemo(() => (found ? whatFrees(settled, found) : []), [settled, found])
  const lacks = inside.things.flatMap(lacksOf)
  if (!found)
    return (
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        {lacks.length
          ? `The least width waits for: ${lacks.join(', ')}.`
          : 'One of them is longer than the floor: turn it across, or take a wheel off.'}
      </Typography>
    )
  const text = (mm: number) => figureText(mm, 'mm', units)
  return (
    <Box component="section" aria-label="Least width" sx={{ display: 'grid', gap: 0.5 }}>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
        <Typography component="div" sx={{ fontWeight: 600, color: found.fits ? undefined : (t) => t.inks.signal }}>
          Side by side they take <FigureValue figure={found.width} /> of {text(inside.widthMm ?? 0)}
          {found.fits ? `, ${text(found.leftMm)} left` : found.leftMm < 0 ? `, ${text(-found.leftMm)} too much` : ', and one is too high'}
          {found.proven ? '' : ' (best found)'}
        </Typography>
        <Button variant="contained" onClick={() => setInside((r) => ({ ...r, things: found.things }))}>
          Stow them so
        </Button>
      </Box>
      {frees.length > 0 && (
        <Typography variant="body2">
          Would free:{' '}
          {frees
            .slice(0, 4)
            .map((f) => `${text(f.freesMm)} ${f.says}`)
            .join('; ')}
          .
        </Typography>
      )}
    </Box>
  )
}
