import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useDeferredValue, useState } from 'react'
import { profileOf } from '../../core/catalogue/profiles'
import type { Remnant, Stock } from '../../core/stock/stock'
import { useSaveShelf, useShelf } from '../api/queries'
import { Offcuts } from './Offcuts'
import { RackImport } from './RackImport'
import { SaleLengths } from './SaleLengths'
import { SheetOffcuts } from './SheetOffcuts'
import { ShelfFrame } from './ShelfFrame'

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
  // the rows follow once the letters are in
  const found = useDeferredValue(find)
  const fits = (profileId: string) => profileOf(profileId).name.toLowerCase().includes(found.toLowerCase())
  const actions = (
    <>
      <TextField label="Find a profile or metal" value={find} onChange={(e) => setFind(e.target.value)} sx={{ width: 220 }} />
      <Button component="a" href="/api/shelves/stock/remnants.csv" variant="outlined">
        Rack as CSV
      </Button>
      {stock && stock.sheets.length > 0 && (
        <Button component="a" href="/api/shelves/stock/sheets.csv">
          Begun sheets as CSV
        </Button>
      )}
      <RackImport
        stock={stock}
        replace={(remnants) => {
          setReplaced(stock?.remnants ?? null)
          change((s) => ({ ...s, remnants }))
        }}
      />
    </>
  )
  const takeBack = (remnants: Remnant[]) => {
    change((s) => ({ ...s, remnants }))
    setReplaced(null)
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
      actions={actions}
    >
      {replaced && save.isSuccess && (
        <Alert
          severity="info"
          sx={{ mb: 2 }}
          onClose={() => setReplaced(null)}
          action={<Button onClick={() => takeBack(replaced)}>Take it back</Button>}
        >
          The rack was replaced from the file.
        </Alert>
      )}
      {!stock && !shelf.error && <Typography role="status">Fetching the rack…</Typography>}
      {stock && (
        <Box sx={{ display: 'grid', gap: 4, gridTemplateColumns: 'minmax(0,1fr)' }}>
          <Offcuts stock={stock} fits={fits} change={change} />
          <SheetOffcuts stock={stock} find={found} change={change} />
          <SaleLengths stock={stock} find={found} fits={fits} change={change} />
        </Box>
      )}
    </ShelfFrame>
  )
}
