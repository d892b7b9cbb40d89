import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import MenuItem from '@mui/material/MenuItem'
import Select from '@mui/material/Select'
import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { profileOf, profiles } from '../../core/catalogue/profiles'
import { grades, type Remnant, type SaleLength, type Stock } from '../../core/stock/stock'
import { useSaveShelf, useShelf } from '../api/queries'
import { ChoiceInput } from '../quantity/ChoiceInput'
import { MoneyInput } from '../quantity/MoneyInput'
import { QuantityInput } from '../quantity/QuantityInput'
import { RemoveButton } from '../quantity/RemoveButton'
import { RackImport } from './RackImport'
import { ShelfFrame } from './ShelfFrame'

const profileChoices = profiles.map((p) => ({ value: p.id, label: p.name }))

/** The shop's own offcuts, and what the merchant sells. */
export default function StockPage() {
  const shelf = useShelf('stock')
  const save = useSaveShelf('stock')
  const [find, setFind] = useState('')
  /** the rack as it was before a file replaced it, while that can be taken back */
  const [replaced, setReplaced] = useState<Remnant[] | null>(null)
  const stock = shelf.data?.document
  const change = (next: (s: Stock) => Stock) =>
    shelf.data && save.mutate({ revision: shelf.data.revision, document: next(shelf.data.document) })
  const remnant = (id: string, patch: Partial<Remnant>) =>
    change((s) => ({ ...s, remnants: s.remnants.map((r) => (r.id === id ? { ...r, ...patch } : r)) }))
  const sale = (id: string, patch: Partial<SaleLength>) =>
    change((s) => ({ ...s, sale: s.sale.map((r) => (r.id === id ? { ...r, ...patch } : r)) }))
  const fits = (profileId: string) => profileOf(profileId).name.toLowerCase().includes(find.toLowerCase())
  const fresh = (prefix: string, taken: { id: string }[]) => {
    let n = 1
    while (taken.some((t) => t.id === `${prefix}${n}`)) n++
    return `${prefix}${n}`
  }
  return (
    <ShelfFrame
      shelf="stock"
      title="Stock rack"
      about="Offcuts are used before bars are bought. An offcut of unknown alloy is never planned into a rack: its strength is not known."
      error={shelf.error ?? save.error}
      retry={() => {
        save.reset()
        void shelf.refetch()
      }}
      actions={
        <>
          <TextField label="Find a profile" value={find} onChange={(e) => setFind(e.target.value)} sx={{ width: 220 }} />
          <Button component="a" href="/api/shelves/stock/remnants.csv" variant="outlined">
            Rack as CSV
          </Button>
          <RackImport
            stock={stock}
            replace={(remnants) => {
              setReplaced(stock?.remnants ?? null)
              change((s) => ({ ...s, remnants }))
            }}
          />
        </>
      }
    >
      {replaced && save.isSuccess && (
        <Alert
          severity="info"
          sx={{ mb: 2 }}
          onClose={() => setReplaced(null)}
          action={
            <Button
              onClick={() => {
                change((s) => ({ ...s, remnants: replaced }))
                setReplaced(null)
              }}
            >
              Take it back
            </Button>
          }
        >
          The rack was replaced from the file.
        </Alert>
      )}
      {!stock && !shelf.error && <Typography role="status">Fetching the rack…</Typography>}
      {stock && (
        <Box sx={{ display: 'grid', gap: 4, gridTemplateColumns: 'minmax(0,1fr)' }}>
          <section>
            <Box sx={{ display: 'flex', alignItems: 'center', justifyContent: 'space-between', mb: 1 }}>
              <Typography variant="h2">Offcuts on the rack</Typography>
              <Button
                onClick={() =>
                  change((s) => ({
                    ...s,
                    remnants: [
                      {
                        id: fresh('piece-', s.remnants),
                        profileId: profiles[0].id,
                        lengthMm: 1000,
                        // not there until somebody counts it
                        quantity: 0,
                        grade: 'clean',
                        place: '',
                        note: '',
                      },
                      ...s.remnants,
                    ],
                  }))
                }
              >
                Add a piece
              </Button>
            </Box>
            {stock.remnants.length === 0 ? (
              <Typography sx={{ color: 'text.secondary' }}>
                The rack is empty. Offcuts come here when a cut plan is accepted; or add what stands in the corner.
              </Typography>
            ) : (
              <Box sx={{ overflowX: 'auto' }}>
                <Table size="small" aria-label="Offcuts" sx={{ minWidth: 860, '& td': { verticalAlign: 'top' } }}>
                  <TableHead>
                    <TableRow>
                      <TableCell sx={{ width: 340 }}>Profile</TableCell>
                      <TableCell sx={{ width: 130 }}>Length</TableCell>
                      <TableCell sx={{ width: 90 }}>Pieces</TableCell>
                      <TableCell sx={{ width: 150 }}>Condition</TableCell>
                      <TableCell>Place</TableCell>
                      <TableCell sx={{ width: 40 }} />
                    </TableRow>
                  </TableHead>
                  <TableBody>
                    {stock.remnants
                      .filter((r) => fits(r.profileId))
                      .map((r) => (
                        <TableRow key={r.id}>
                          <TableCell>
                            <ChoiceInput
                              hideLabel
                              label={`Profile of ${r.id}`}
                              value={r.profileId}
                              options={profileChoices}
                              onChange={(profileId) => remnant(r.id, { profileId })}
                            />
                          </TableCell>
                          <TableCell>
                            <QuantityInput
                              hideLabel
                              label={`Length of ${r.id}`}
                              min={1}
                              max={20_000}
                              value={r.lengthMm}
                              onChange={(v) => v !== null && remnant(r.id, { lengthMm: v })}
                            />
                          </TableCell>
                          <TableCell>
                            <QuantityInput
                              hideLabel
                              label={`Pieces of ${r.id}`}
                              dimension="number"
                              min={0}
                              max={10_000}
                              value={r.quantity}
                              onChange={(v) => v !== null && remnant(r.id, { quantity: Math.round(v) })}
                            />
                          </TableCell>
                          <TableCell>
                            <Select
                              fullWidth
                              value={r.grade}
                              inputProps={{ 'aria-label': `Condition of ${r.id}` }}
                              onChange={(e) => remnant(r.id, { grade: e.target.value as Remnant['grade'] })}
                            >
                              {grades.map((g) => (
                                <MenuItem key={g} value={g}>
                                  {g}
                                </MenuItem>
                              ))}
                            </Select>
                          </TableCell>
                          <TableCell>
                            <PlaceInput
                              value={r.place}
                              note={r.note}
                              label={`Place of ${r.id}`}
                              onChange={(place) => remnant(r.id, { place })}
                            />
                          </TableCell>
                          <TableCell>
                            <RemoveButton
                              of={r.id}
                              onClick={() => change((s) => ({ ...s, remnants: s.remnants.filter((o) => o.id !== r.id) }))}
                            />
                          </TableCell>
                        </TableRow>
                      ))}
                  </TableBody>
                </Table>
              </Box>
            )}
          </section>
          <section>
            <Box sx={{ display: 'flex', alignItems: 'center', justifyContent: 'space-between', mb: 1 }}>
              <Typography variant="h2">Lengths on sale (simulated merchant's price list)</Typography>
              <Button
                onClick={() =>
                  change((s) => ({
                    ...s,
                    sale: [{ id: fresh('sale-', s.sale), profileId: profiles[0].id, lengthMm: 6000, priceMinor: null }, ...s.sale],
                  }))
                }
              >
                Add a length
              </Button>
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
                    .slice(0, find ? 200 : 24)
                    .map((r) => (
                      <TableRow key={r.id}>
                        <TableCell>
                          {r.id.startsWith('sale-') ? (
                            <ChoiceInput
                              hideLabel
                              label={`Profile of ${r.id}`}
                              value={r.profileId}
                              options={profileChoices}
                              onChange={(profileId) => sale(r.id, { profileId })}
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
                            onChange={(v) => v !== null && sale(r.id, { lengthMm: v })}
                          />
                        </TableCell>
                        <TableCell>
                          <MoneyInput
                            hideLabel
                            label={`Price of ${r.id}`}
                            value={r.priceMinor}
                            optional
                            onChange={(priceMinor) => sale(r.id, { priceMinor })}
                          />
                        </TableCell>
                        <TableCell>
                          <RemoveButton of={r.id} onClick={() => change((s) => ({ ...s, sale: s.sale.filter((o) => o.id !== r.id) }))} />
                        </TableCell>
                      </TableRow>
                    ))}
                </TableBody>
              </Table>
            </Box>
            {!find && stock.sale.length > 24 && (
              <Typography variant="caption">Showing 24 of {stock.sale.length}. Type a profile above to see the rest.</Typography>
            )}
          </section>
        </Box>
      )}
    </ShelfFrame>
  )
}

function PlaceInput({ value, note, label, onChange }: { value: string; note: string; label: string; onChange: (v: string) => void }) {
  const [draft, setDraft] = useState(value)
  return (
    <TextField
      value={draft}
      helperText={note || undefined}
      onChange={(e) => setDraft(e.target.value)}
      onBlur={() => draft !== value && onChange(draft)}
      slotProps={{ htmlInput: { 'aria-label': label, maxLength: 80 } }}
    />
  )
}
