import Box from '@mui/material/Box'
import type { Securing } from '../../../core/brief/securing'
import { ChoiceInput } from '../../quantity/ChoiceInput'
import { QuantityInput } from '../../quantity/QuantityInput'

type Size = NonNullable<Securing['bolts']>['size']
const SIZES: Size[] = ['M5', 'M6', 'M8', 'M10', 'M12', '1/4-20', '5/16-18', '3/8-16', '1/2-13']

/** The bolts of an item's own mount: size, and how many in all. */
export function MountBolts({ securing: s, put }: { securing: Securing; put: (patch: Partial<Securing>) => void }) {
  return (
    <Box sx={{ display: 'grid', gap: 1, gridTemplateColumns: '1fr 1fr' }}>
      <ChoiceInput
        label="Bolt"
        value={s.bolts?.size ?? null}
        empty="not said"
        options={SIZES.map((value) => ({ value, label: value }))}
        onChange={(size) => put({ bolts: { size, count: s.bolts?.count ?? 4 } })}
        onEmpty={() => put({ bolts: null })}
      />
      <QuantityInput
        label="How many in all"
        dimension="number"
        optional
        placeholder="unknown"
        min={1}
        max={60}
        value={s.bolts?.count ?? null}
        onChange={(n) => put({ bolts: n === null ? null : { size: s.bolts?.size ?? 'M6', count: Math.max(1, Math.round(n)) } })}
      />
    </Box>
  )
}
