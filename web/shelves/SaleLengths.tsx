import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import Typography from '@mui/material/Typography'
import { profileOf, profiles } from '../../core/catalogue/profiles'
import { freshId, rowsOf, type SaleLength, type Stock } from '../../core/stock/stock'
import { ChoiceInput } from '../quantity/ChoiceInput'
import { MoneyInput } from '../quantity/MoneyInput'
import { QuantityInput } from '../quantity/QuantityInput'
import { RemoveButton } from '../quantity/RemoveButton'
import { profileChoices } from './stockRows'

type Props = { stock: Stock; find: string; fits: (profileId: string) => boolean; change: (next: (s: Stock) => Stock) => void }

/** The whole list is long: so many rows before anything is looked for, and so many of what is. */
const [FIRST, FOUND] = [24, 200]

const added = (s: Stock): Stock => ({
  ...s,
  sale: [{ id: freshId('sale-', rowsOf(s)), profileId: profiles[0].id, lengthMm: 6000, priceMinor: null }, ...s.sale],
})

/** What the merchant sells, and for how much. */
export function SaleLengths({ stock, find, fits, change }: Props) {
  const set = (id: string, patch: Partial<SaleLength>) =>
    change((s) => ({ ...s, sale: s.sale.map((r) => (r.id === id ? { ...r, ...patch } : r)) }))
  const remove = (id: string) => change((s) => ({ ...s, sale: s.sale.filter((o) => o.id !== id) }))
  return (
    <section>
      <Box sx={{ display: 'flex', alignItems: 'center', justifyContent: 'space-between', mb: 1 }}>
        <Typography variant="h2">Lengths on sale (simulated merchant's price list)</Typography>
        <Button onClick={() => change(added)}>Add a length</Button>
      </Box>
      <Box sx={{ overflowX: 'auto' }}>
        <Table size="small" aria-label="Lengths on sale" sx={{ minWidth: 700 }}>
          <TableHead>
            <TableRow>
              <TableCell>Profile</TableCell>
              <TableCell sx={{ width: 150 }}>Length</TableCell>
              <TableCell sx={{ width: 150 }}>Price of a bar</TableCell>
              <TableCell sx={{ width: 40 }} />
            </TableRow>
          </TableHead>
          <TableBody>
            {stock.sale
              .filter((r) => fits(r.profileId))
              .slice(0, find ? FOUND : FIRST)
              .map((r) => (
                <OnSale key={r.id} r={r} set={(patch) => set(r.id, patch)} remove={() => remove(r.id)} />
              ))}
          </TableBody>
        </Table>
      </Box>
      {!find && stock.sale.length > FIRST && (
        <Typography variant="caption">
          Showing {FIRST} of {stock.sale.length}. Type a profile above to see the rest.
        </Typography>
      )}
    </section>
  )
}

function OnSale({ r, set, remove }: { r: SaleLength; set: (patch: Partial<SaleLength>) => void; remove: () => void }) {
  return (
    <TableRow>
      <TableCell>
        {r.id.startsWith('sale-') ? (
          <ChoiceInput
            hideLabel
            label={`Profile of ${r.id}`}
            value={r.profileId}
            options={profileChoices}
            onChange={(profileId) => set({ profileId })}
          />
        ) : (
          profileOf(r.profileId).name
        )}
      </TableCell>
      <TableCell>
        <QuantityInput
          hideLabel
          label={`Length of ${r.id}`}
          min={1}
          max={20_000}
          value={r.lengthMm}
          onChange={(v) => v !== null && set({ lengthMm: v })}
        />
      </TableCell>
      <TableCell>
        <MoneyInput hideLabel label={`Price of ${r.id}`} value={r.priceMinor} optional onChange={(priceMinor) => set({ priceMinor })} />
      </TableCell>
      <TableCell>
        <RemoveButton of={r.id} onClick={remove} />
      </TableCell>
    </TableRow>
  )
}
