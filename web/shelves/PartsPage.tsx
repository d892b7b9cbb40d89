import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { type BoughtPart, partKinds } from '../../core/catalogue/boughtParts'
import { useSaveShelf, useShelf } from '../api/queries'
import { ChoiceInput } from '../quantity/ChoiceInput'
import { HoleRows } from '../quantity/HoleRows'
import { MoneyInput } from '../quantity/MoneyInput'
import { QuantityInput } from '../quantity/QuantityInput'
import { RemoveButton } from '../quantity/RemoveButton'
import { TextInput } from '../quantity/TextInput'
import { PatternMatch } from './PatternMatch'
import { ShelfFrame } from './ShelfFrame'

const kinds = partKinds.map((value) => ({ value, label: value }))

/** Bought parts as they really are: heights, bores, hole patterns, numbers; taken once, used in every job. */
export default function PartsPage() {
  const shelf = useShelf('parts')
  const save = useSaveShelf('parts')
  const [find, setFind] = useState('')
  const parts = shelf.data?.document
  const put = (next: (list: BoughtPart[]) => BoughtPart[]) =>
    shelf.data && save.mutate({ revision: shelf.data.revision, document: next(shelf.data.document) })
  const set = (id: string, patch: Partial<BoughtPart>) => put((list) => list.map((p) => (p.id === id ? { ...p, ...patch } : p)))
  const add = () =>
    put((list) => {
      let n = list.length + 1
      while (list.some((p) => p.id === `part-${n}`)) n++
      return [
        {
          id: `part-${n}`,
          number: '',
          name: 'New part',
          kind: 'other',
          heightMm: null,
          lengthMm: null,
          widthMm: null,
          boreMm: null,
          strokeMm: null,
          holes: [],
          forceN: null,
          massKg: null,
          priceMinor: null,
          source: '',
        },
        ...list,
      ]
    })
  const shown = (parts ?? []).filter((p) => `${p.number} ${p.name} ${p.kind}`.toLowerCase().includes(find.toLowerCase()))
  return (
    <ShelfFrame
      shelf="parts"
      title="Bought parts"
      about="Dimensions as measured on the part or as its sheet says; what nobody knows stays unknown. A foot taken from here sets the height of the rack."
      error={shelf.error ?? save.error}
      retry={() => {
        save.reset()
        void shelf.refetch()
      }}
      actions={
        <>
          <TextField label="Find a part" value={find} onChange={(e) => setFind(e.target.value)} sx={{ width: 220 }} />
          <Button variant="contained" onClick={add} disabled={!parts}>
            Add a part
          </Button>
        </>
      }
    >
      {!parts && !shelf.error && <Typography role="status">Fetching the parts…</Typography>}
      {parts && shown.length === 0 && (
        <Typography sx={{ color: 'text.secondary' }}>
          {parts.length ? 'No part of that name.' : 'No parts yet. Add the first one you measure.'}
        </Typography>
      )}
      <Box sx={{ display: 'grid', gap: 2, gridTemplateColumns: 'repeat(auto-fill, minmax(min(100%, 380px), 1fr))' }}>
        {shown.map((p) => (
          <PartCard key={p.id} part={p} set={(patch) => set(p.id, patch)} remove={() => put((list) => list.filter((o) => o.id !== p.id))} />
        ))}
      </Box>
      {parts && <PatternMatch parts={parts} />}
    </ShelfFrame>
  )
}

function PartCard({ part: p, set, remove }: { part: BoughtPart; set: (patch: Partial<BoughtPart>) => void; remove: () => void }) {
  return (
    <Box
      component="article"
      aria-label={p.name}
      sx={{
        border: 1,
        borderColor: 'divider',
        bgcolor: 'background.paper',
        p: 1.25,
        display: 'grid',
        gap: 1.25,
        gridTemplateColumns: { xs: 'repeat(2, minmax(0,1fr))', sm: 'repeat(3, minmax(0,1fr))' },
        alignItems: 'start',
      }}
    >
      <Box sx={{ gridColumn: '1 / -1', display: 'flex', gap: 0.5 }}>
        <TextInput label="Part" value={p.name} required="give the part a name" maxLength={120} onChange={(name) => set({ name })} />
        <RemoveButton of={p.name} onClick={remove} />
      </Box>
      <TextInput label="Number" value={p.number} maxLength={60} onChange={(number) => set({ number })} />
      <ChoiceInput label="Kind" value={p.kind} options={kinds} onChange={(kind) => set({ kind })} />
      <MoneyInput label="Price" optional value={p.priceMinor} onChange={(priceMinor) => set({ priceMinor })} />
      <Sizes part={p} set={set} />
      <Holes part={p} set={set} />
      <Box sx={{ gridColumn: '1 / -1' }}>
        <TextInput label="Known from" value={p.source} onChange={(source) => set({ source })} />
      </Box>
    </Box>
  )
}

type Fields = { part: BoughtPart; set: (patch: Partial<BoughtPart>) => void }

function Sizes({ part: p, set }: Fields) {
  return (
    <>
      <QuantityInput exact label="Height" optional min={0} max={5000} value={p.heightMm} onChange={(heightMm) => set({ heightMm })} />
      <QuantityInput exact label="Length" optional min={0} max={5000} value={p.lengthMm} onChange={(lengthMm) => set({ lengthMm })} />
      <QuantityInput exact label="Width, diameter" optional min={0} max={5000} value={p.widthMm} onChange={(widthMm) => set({ widthMm })} />
      <QuantityInput exact label="Stroke" optional min={0} max={5000} value={p.strokeMm} onChange={(strokeMm) => set({ strokeMm })} />
      <QuantityInput exact label="Bore" optional min={0} max={5000} value={p.boreMm} onChange={(boreMm) => set({ boreMm })} />
      <QuantityInput
        exact
        label="Force"
        dimension="force"
        optional
        min={0}
        max={50_000}
        value={p.forceN}
        onChange={(forceN) => set({ forceN })}
      />
      <QuantityInput
        exact
        label="Mass"
        dimension="mass"
        optional
        min={0}
        max={200}
        value={p.massKg}
        onChange={(massKg) => set({ massKg })}
      />
    </>
  )
}

function Holes({ part: p, set }: Fields) {
  const [open, setOpen] = useState(false)
  return (
    <Box sx={{ gridColumn: '1 / -1' }}>
      <Button onClick={() => setOpen(!open)} aria-expanded={open}>
        {p.holes.length ? `${p.holes.length} ${p.holes.length === 1 ? 'hole' : 'holes'}` : 'Hole pattern'}
      </Button>
      {open && (
        <HoleRows holes={p.holes} most={60} least={0} next={{ xMm: 0, yMm: 0, diameterMm: 9 }} onChange={(holes) => set({ holes })} />
      )}
    </Box>
  )
}
