import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import FormControlLabel from '@mui/material/FormControlLabel'
import Switch from '@mui/material/Switch'
import Typography from '@mui/material/Typography'
import { type NeedKind, needKinds, type Supplier, SupplierSchema } from '../../core/purchase/suppliers'
import { placeName, type ShopCalendar, type ShopPerson, type Span, workPlaces } from '../../core/schedule/shopCalendar'
import type { Shop } from '../../core/shop/shop'
import { localDay } from '../../core/time/localDay'
import { useSaveShelf, useShelf } from '../api/queries'
import { QuantityInput } from '../quantity/QuantityInput'
import { RemoveButton } from '../quantity/RemoveButton'
import { TextInput } from '../quantity/TextInput'
import { fresh, Kind, Part, Row, row, without } from './listParts'

/** Who works when, what can be worked at at a time, and who sells what: what the days of every job are reckoned from. */
export function PeopleAndDays() {
  const shelf = useShelf('shop')
  const save = useSaveShelf('shop')
  const shop = shelf.data?.document
  if (!shop) return null
  const set = (change: Partial<Shop>) => shelf.data && save.mutate({ revision: shelf.data.revision, document: { ...shop, ...change } })
  const { calendar, suppliers } = shop
  const put = (change: Partial<ShopCalendar>) => set({ calendar: { ...calendar, ...change } })
  const person = (id: string, patch: Partial<ShopPerson>) => put({ people: row(calendar.people, id, patch) })
  const supplier = (id: string, patch: Partial<Supplier>) => set({ suppliers: row(suppliers, id, patch) })
  return (
    <Part
      title="People, days and suppliers"
      about="The days of every job are reckoned from these. Hours in a day and days in a week stand under Shop rules."
      fault={save.error}
    >
      <Kind
        title="People"
        add="Add a person"
        onAdd={() => put({ people: [...calendar.people, { id: fresh(calendar.people, 'person'), name: 'Name', away: [] }] })}
      >
        {!calendar.people.length && <Typography variant="body2">Nobody yet: the days reckon with one person.</Typography>}
        {calendar.people.map((p) => (
          <Box key={p.id}>
            <Row name={p.name} onRemove={() => put({ people: without(calendar.people, p.id) })}>
              <TextInput label="Name" value={p.name} maxLength={80} onChange={(name) => person(p.id, { name })} />
            </Row>
            <Spans spans={p.away} of={p.name} word="away" onChange={(away) => person(p.id, { away })} />
          </Box>
        ))}
      </Kind>
      <Kind title="Closed days">
        <Spans spans={calendar.closed} of="the shop" word="closed" onChange={(closed) => put({ closed })} />
      </Kind>
      <Kind title="So many can be worked at at a time">
        <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: 'repeat(auto-fill, minmax(130px, 1fr))', maxWidth: 760 }}>
          {workPlaces.map((place) => (
            <QuantityInput
              key={place}
              label={placeName[place].charAt(0).toUpperCase() + placeName[place].slice(1)}
              dimension="number"
              min={0}
              max={20}
              value={calendar.places[place]}
              onChange={(v) => v !== null && put({ places: { ...calendar.places, [place]: Math.round(v) } })}
            />
          ))}
        </Box>
        <FormControlLabel
          control={<Switch checked={calendar.outdoors} onChange={(_, outdoors) => put({ outdoors })} />}
          label="Vehicles stand in the open: work on them waits for a dry day (simulated forecast)"
        />
      </Kind>
      <Kind
        title="Suppliers"
        add="Add a supplier"
        onAdd={() => set({ suppliers: [...suppliers, SupplierSchema.parse({ id: fresh(suppliers, 'supplier'), name: 'Supplier' })] })}
      >
        {suppliers.map((s) => (
          <Row key={s.id} name={s.name} onRemove={() => set({ suppliers: without(suppliers, s.id) })}>
            <TextInput label="Name" value={s.name} maxLength={80} onChange={(name) => supplier(s.id, { name })} />
            <QuantityInput
              label="Here after, days"
              dimension="number"
              min={0}
              max={365}
              value={s.leadDays}
              onChange={(v) => v !== null && supplier(s.id, { leadDays: Math.round(v) })}
            />
            <Box sx={{ gridColumn: '1 / -1', display: 'flex', flexWrap: 'wrap', columnGap: 2 }}>
              {needKinds.map((kind) => (
                <Gives key={kind} kind={kind} supplier={s} onChange={(gives) => supplier(s.id, { gives })} />
              ))}
            </Box>
          </Row>
        ))}
      </Kind>
    </Part>
  )
}

function Gives({ kind, supplier, onChange }: { kind: NeedKind; supplier: Supplier; onChange: (gives: NeedKind[]) => void }) {
  const has = supplier.gives.includes(kind)
  return (
    <FormControlLabel
      control={
        <Switch checked={has} onChange={(_, on) => onChange(on ? [...supplier.gives, kind] : supplier.gives.filter((k) => k !== kind))} />
      }
      label={kind}
    />
  )
}

/** Days from one to another, with why: absences, and days on which nobody works. A first day moved past the last takes it along. */
function Spans({ spans, of, word, onChange }: { spans: Span[]; of: string; word: string; onChange: (spans: Span[]) => void }) {
  const put = (i: number, patch: Partial<Span>) =>
    onChange(
      spans.map((s, k) => {
        if (k !== i) return s
        const next = { ...s, ...patch }
        return next.to >= next.from ? next : patch.from ? { ...next, to: next.from } : { ...next, from: next.to }
      }),
    )
  return (
    <Box sx={{ display: 'grid', gap: 1, mb: 1, maxWidth: 760 }}>
      {spans.map((s, i) => (
        <Box
          key={i}
          sx={{
            display: 'grid',
            gridTemplateColumns: { xs: 'minmax(0, 1fr) minmax(0, 1fr)', sm: '160px 160px 1fr auto' },
            gap: 1,
            alignItems: 'start',
          }}
        >
          <TextInput label={`${word} from`} type="date" value={s.from} onChange={(from) => from && put(i, { from })} />
          <TextInput label="to" type="date" value={s.to} onChange={(to) => to && put(i, { to })} />
          <TextInput label="why" value={s.why} maxLength={80} onChange={(why) => put(i, { why })} />
          <RemoveButton of={`${of} ${word} from ${s.from}`} onClick={() => onChange(spans.filter((_, k) => k !== i))} />
        </Box>
      ))}
      <Box>
        <AddSpan word={word} of={of} onAdd={(from) => onChange([...spans, { from, to: from, why: '' }])} />
      </Box>
    </Box>
  )
}

function AddSpan({ word, of, onAdd }: { word: string; of: string; onAdd: (from: string) => void }) {
  return (
    <Button size="small" onClick={() => onAdd(localDay())} aria-label={`${of}: add days ${word}`}>
      Add days {word}
    </Button>
  )
}
