import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { absorbMisfit, fixedHoles, mountMisfit } from '../../core/measure/mountMisfit'
import { figureText } from '../../core/quantity/figureText'
import { holesOf, type MountLine } from '../../core/vehicle/vehicle'
import { QuantityInput } from '../quantity/QuantityInput'
import { useUnits } from '../quantity/units'

const TAPE_MM = 0.5 // how well the place of a hole can be read against a straight edge: the shop's own

/** How far each of the vehicle's own holes is off, and the hole and washer, slot or shims that take them all. */
export function MisfitForm({ line, onChange }: { line: MountLine; onChange: (misfit: MountLine['misfit']) => void }) {
  const units = useUnits()
  const holes = fixedHoles(line)
  if (!holes.length) return null
  if (!line.misfit.length) return <Button onClick={() => onChange(holesOf(line))}>Measure how far the holes are off</Button>
  const offs = holesOf(line)
  const open = offs.filter((m) => m.alongMm === null || m.acrossMm === null).length
  const fit = mountMisfit(line, TAPE_MM)
  const absorbed = absorbMisfit(line, TAPE_MM)
  const set = (i: number, patch: Partial<MountLine['misfit'][number]>) => onChange(offs.map((m, k) => (k === i ? { ...m, ...patch } : m)))
  const mm = (v: number) => figureText(v, 'mm', { ...units, mmStep: 0.5 })
  return (
    <Box sx={{ display: 'grid', gap: 1 }}>
      <Typography variant="caption" sx={{ color: 'text.secondary' }}>
        Off its place: forward, left and up are plus.
      </Typography>
      {holes.map((h, i) => (
        <Box
          key={h.name}
          role="group"
          aria-label={h.name}
          sx={{ display: 'grid', gap: 0.75, gridTemplateColumns: 'repeat(3, minmax(0,1fr))' }}
        >
          <Typography variant="caption" sx={{ gridColumn: '1 / 4', mb: 0.25 }}>
            {h.name}
          </Typography>
          {(
            [
              ['along', 'alongMm', 200],
              ['across', 'acrossMm', 200],
              ['up', 'upMm', 100],
            ] as const
          ).map(([label, key, most]) => (
            <QuantityInput
              key={key}
              label={label}
              optional
              placeholder="?"
              min={-most}
              max={most}
              value={offs[i][key]}
              onChange={(v) => set(i, { [key]: v })}
            />
          ))}
        </Box>
      ))}
      {open > 0 && (
        <Typography variant="body2" sx={{ color: (t) => t.inks.unknown }}>
          ? {open} of {holes.length} holes not measured along and across yet: the common hole is worked out when all are.
        </Typography>
      )}
      {fit && (
        <Typography variant="body2">
          Worst hole {mm(fit.worstMm)} off at the best place. For M{fit.boltMm}: holes of {mm(fit.holeMm)} and washers of {mm(fit.washerMm)}{' '}
          or more seat them all (d + 2·(e + {mm(TAPE_MM)})).
        </Typography>
      )}
      {absorbed && (
        <Typography variant="body2">
          Or slots along {absorbed.slot.along}, {mm(absorbed.slot.lengthMm)} by {mm(absorbed.slot.widthMm)}, under a plate washer.{' '}
          {absorbed.shims === null
            ? 'Measure how high each seat stands for the shims.'
            : absorbed.shims.length
              ? `Shims to bring the seats level: ${absorbed.shims.map((s) => `${mm(s.thicknessMm)} at ${s.name}`).join('; ')}.`
              : 'The seats stand level: no shims.'}
        </Typography>
      )}
      <Button onClick={() => onChange([])}>Leave it unmeasured</Button>
    </Box>
  )
}
