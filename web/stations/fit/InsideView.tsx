import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useDeferredValue, useMemo, useState } from 'react'
import { checkInside, type InsideCheck } from '../../../core/inside/checkInside'
import { heightOf, INSIDE_CAUTION, type Inside, lacksOf, roomLacks } from '../../../core/inside/inside'
import type { Stack } from '../../../core/inside/stacks'
import { stow, whatFrees } from '../../../core/inside/stow'
import { figureText, withLengths } from '../../../core/quantity/figureText'
import { FigureValue } from '../../figure/Working'
import { QuantityInput } from '../../quantity/QuantityInput'
import { useUnits } from '../../quantity/units'
import { InsidePlan } from './InsidePlan'
import { InsideSection } from './InsideSection'
import { setDown, setInside, setThing, turned } from './inside'

/** The floor with what rides on it: whether it fits as it stands, what comes out first, and the least width that it could take. */
export function InsideView({ inside }: { inside: Inside }) {
  const [chosen, setChosen] = useState<string | null>(null)
  const check = useMemo(() => checkInside(inside), [inside])
  const wrong = new Set(check.faults.flatMap((f) => f.ids))
  const measured = roomLacks(inside).length === 0
  const thing = inside.things.find((t) => t.id === chosen)
  return (
    <Box sx={{ height: '100%', display: 'flex', flexDirection: 'column', bgcolor: (t) => t.inks.sheet, minHeight: 0, overflowY: 'auto' }}>
      {measured ? (
        <Box sx={{ flex: 'none', p: 1, display: 'grid', gap: 1, gridTemplateColumns: 'repeat(auto-fit, minmax(min(330px, 100%), 1fr))' }}>
          <Box sx={{ height: 300 }}>
            <InsidePlan {...{ inside, wrong, chosen }} aisle={inside.aisleMm > 0 ? check.aisle : null} onChoose={setChosen} />
          </Box>
          <Box sx={{ height: 300 }}>
            <InsideSection {...{ inside, wrong, chosen }} onChoose={setChosen} />
          </Box>
        </Box>
      ) : (
        <Typography sx={{ p: 3, color: 'text.secondary' }}>
          Measure the room beside this: it is drawn once its floor and height are known.
        </Typography>
      )}
      <Box sx={{ p: 2, display: 'grid', gap: 1, borderTop: 1, borderColor: 'divider' }}>
        {thing?.place && (
          <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
            <strong>{thing.name}</strong>
            <Button variant="outlined" onClick={() => thing.place && setThing(thing.id, { place: turned(thing.place) })}>
              Turn it (T)
            </Button>
            <Button variant="outlined" onClick={() => thing.place && setThing(thing.id, { place: setDown(inside, thing, thing.place) })}>
              Set it down (D)
            </Button>
            <Box sx={{ width: 170 }}>
              <QuantityInput
                label="Above the floor"
                min={0}
                max={5000}
                value={heightOf(thing.place)}
                onChange={(zMm) => zMm !== null && thing.place && setThing(thing.id, { place: { ...thing.place, zMm } })}
              />
            </Box>
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
  const { missing, faults, aisle, out, held, notStowed, stacks, aside } = check
  const over = stacks.some((s) => s.state !== 'clear')
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
      {stacks.map((s) => (
        <OnTop key={s.id} stack={s} />
      ))}
      {!missing.length && stowed > 0 && !faults.length && !narrow && !over && (
        <Typography>
          {stowed === inside.things.length
            ? 'Everything has its room as it stands'
            : `${stowed} of ${inside.things.length} have their room as they stand`}
          {aisle ? `; widest way along it ${figureText(aisle.widthMm, 'mm', units)}` : ''}.
        </Typography>
      )}
      {notStowed.length > 0 && <Typography variant="body2">Not stowed yet: {notStowed.join(', ')}.</Typography>}
      {out.length > 1 && <Typography variant="body2">Out to the rear in this order: {out.map((o) => o.name).join(', ')}.</Typography>}
      {aside !== null && aside.length > 0 && (
        <Typography variant="body2">
          Through the side door:{' '}
          {aside.map((o) => (o.after.length ? `${o.name} after ${o.after.join(', ')}` : `${o.name} at once`)).join('; ')}.
        </Typography>
      )}
      {aside?.length === 0 && <Typography variant="body2">Nothing comes out through the side door as it stands.</Typography>}
      {aside === null && inside.doorSide !== 'none' && !missing.length && (
        <Typography variant="body2">The side door is not measured: what comes out there is not assessed.</Typography>
      )}
      {held.length > 0 && <Alert severity="warning">No straight way out to the rear: {held.join(', ')}.</Alert>}
      <Typography variant="caption" sx={{ color: 'text.secondary' }}>
        Nothing here says how it is held. {INSIDE_CAUTION}
      </Typography>
    </Box>
  )
}

/** What stands on a box, against what its top bears. */
function OnTop({ stack: { name, load, bearsKg, state } }: { stack: Stack }) {
  const units = useUnits()
  const lacks = [...load.missing, ...(bearsKg === null ? [`what the top of ${name} bears`] : [])]
  return (
    <Alert severity={state === 'over' ? 'error' : state === 'unknown' ? 'info' : 'success'} icon={state === 'clear' ? false : undefined}>
      On top of {name}: <FigureValue figure={load} />
      {bearsKg === null ? '' : `, it bears ${figureText(bearsKg, 'kg', units)}`}
      {state === 'unknown' ? `. Not assessed. Missing: ${lacks.join(', ')}.` : '.'}
    </Alert>
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
