import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Checkbox from '@mui/material/Checkbox'
import Typography from '@mui/material/Typography'
import { amountText } from '../../../core/purchase/amount'
import type { KitLine, KitRow } from '../../../core/purchase/kit'
import { withLengths } from '../../../core/quantity/figureText'
import { editJob } from '../../job/jobStore'
import { TextInput } from '../../quantity/TextInput'
import { useUnits } from '../../quantity/units'

const setLine = (row: KitRow, over: Partial<KitLine>) =>
  editJob((j) => ({ ...j, kit: { ...j.kit, [row.key]: { here: row.here, due: row.due, order: row.order, said: row.said, ...over } } }))

/** What must be here before anything is begun: ticked as it comes, with the day on which the rest is to come. */
export function KitCheck({ kit }: { kit: KitRow[] }) {
  if (!kit.length) return null
  const missing = kit.filter((r) => r.state !== 'here')
  return (
    <Box component="section" aria-label="Kit">
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'baseline', flexWrap: 'wrap' }}>
        <Typography variant="h2">Kit</Typography>
        <Typography variant="body2" role="status" sx={{ color: 'text.secondary' }}>
          {standing(kit)}
        </Typography>
        {missing.length > 0 && (
          <Button
            variant="outlined"
            onClick={() =>
              editJob((j) => ({
                ...j,
                kit: { ...j.kit, ...Object.fromEntries(missing.map((r) => [r.key, { here: r.quantity, due: r.due, said: r.said }])) },
              }))
            }
          >
            All of it is here
          </Button>
        )}
      </Box>
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, maxWidth: 860 }}>
        {kit.map((r) => (
          <Row key={r.key} row={r} />
        ))}
      </Box>
      <Typography variant="caption" sx={{ color: 'text.secondary' }}>
        What came wrong stays unticked, with the day on which the right one comes.
      </Typography>
    </Box>
  )
}

function Row({ row }: { row: KitRow }) {
  const units = useUnits()
  const name = withLengths(row.name, units)
  const amount = amountText(row.quantity, row.unit, units)
  const partly = row.state !== 'here' && row.here > 0
  return (
    <Box
      component="li"
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '44px minmax(0, 1fr)', sm: '44px minmax(0, 1fr) 165px 200px' },
        gap: 1,
        alignItems: 'center',
        borderTop: 1,
        borderColor: 'divider',
        py: 0.5,
      }}
    >
      <Checkbox
        checked={row.state === 'here'}
        onChange={(_, on) => setLine(row, { here: on ? row.quantity : 0 })}
        slotProps={{ input: { 'aria-label': `${name}: here` } }}
        sx={{ width: 44, height: 44 }}
      />
      <Box>
        <Typography variant="body2" sx={{ fontWeight: 600 }}>
          {amount} {row.unit === 'piece' ? '×' : 'of'} {name}
        </Typography>
        <Typography variant="caption" sx={{ color: 'text.secondary' }}>
          {[
            row.spares ? `${row.spares} of them spare` : '',
            row.supplier ? `${row.supplier.name}, ${row.supplier.leadDays} days` : `no supplier of ${row.kind} is entered`,
            row.order ? `order ${row.order}` : '',
            partly ? `only ${amountText(row.here, row.unit, units)} here` : '',
          ]
            .filter(Boolean)
            .join(' · ')}
        </Typography>
      </Box>
      {row.state === 'here' ? (
        <span />
      ) : (
        <TextInput
          label={`Comes on`}
          type="date"
          value={row.due ?? ''}
          onChange={(due) => setLine(row, { due: due || null, ...(due ? {} : { order: undefined }) })}
        />
      )}
      <TextInput label="As it came" value={row.said} onChange={(said) => setLine(row, { said })} />
    </Box>
  )
}

function standing(kit: KitRow[]): string {
  const of = (state: KitRow['state']) => kit.filter((r) => r.state === state)
  const [here, ordered, missing] = [of('here'), of('ordered'), of('missing')]
  const last = ordered
    .flatMap((r) => r.due ?? [])
    .sort()
    .at(-1)
  return [
    `${here.length} of ${kit.length} here`,
    ...(ordered.length ? [`${ordered.length} on the way, the last on ${last}`] : []),
    ...(missing.length ? [`${missing.length} missing`] : []),
  ].join('; ')
}
