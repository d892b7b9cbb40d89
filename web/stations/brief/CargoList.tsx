import Autocomplete from '@mui/material/Autocomplete'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import FormControlLabel from '@mui/material/FormControlLabel'
import Switch from '@mui/material/Switch'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { type Cargo, uses } from '../../../core/brief/cargo'
import { oneMore, placed, startPlace } from '../../../core/brief/placeCargo'
import { accessories } from '../../../core/catalogue/accessories'
import type { Job } from '../../../core/job/job'
import { figureText } from '../../../core/quantity/figureText'
import { editJob } from '../../job/jobStore'
import { ChoiceInput } from '../../quantity/ChoiceInput'
import { QuantityInput } from '../../quantity/QuantityInput'
import { RemoveButton } from '../../quantity/RemoveButton'
import { TextInput } from '../../quantity/TextInput'
import { useUnits } from '../../quantity/units'

const typed: (typeof accessories)[number] = {
  id: 'typed',
  name: 'New item',
  massKg: null,
  massBasis: 'unknown',
  lengthMm: 1000,
  widthMm: 500,
  heightMm: 300,
  counts: 'driving',
  maxOverhangMm: null,
  maxSpanMm: null,
  ruleSource: '',
}

const add = (draft: (typeof accessories)[number]) =>
  editJob((j) => {
    let n = 1
    while (j.brief.cargo.some((c) => c.id === `${draft.id}-${n}`)) n++
    const { xMm, yMm } = startPlace({ mounts: j.vehicle.mounts, cargo: j.brief.cargo }, draft)
    return { ...j, brief: { ...j.brief, cargo: [...j.brief.cargo, placed(draft, `${draft.id}-${n}`, xMm, yMm)] } }
  })
const change = (id: string, patch: Partial<Cargo>) =>
  editJob((j) => ({ ...j, brief: { ...j.brief, cargo: j.brief.cargo.map((c) => (c.id === id ? { ...c, ...patch } : c)) } }))

const more = (c: Cargo) =>
  editJob((j) => (j.brief.cargo.length >= MOST_ITEMS ? j : { ...j, brief: { ...j.brief, cargo: [...j.brief.cargo, oneMore(c, j)] } }))
const MOST_ITEMS = 60

/** What will be carried: from the catalogue of generic accessories, or typed. */
export function CargoList({ job }: { job: Job }) {
  const [picked, setPicked] = useState<(typeof accessories)[number] | null>(null)
  const units = useUnits()
  return (
    <Box component="section" aria-label="What will be carried" sx={{ mb: 3 }}>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap', mb: 1.5 }}>
        <Typography variant="h2" sx={{ mr: 'auto' }}>
          What will be carried
        </Typography>
        <Autocomplete
          size="small"
          sx={{ width: 280 }}
          options={accessories}
          value={picked}
          getOptionLabel={(a) => a.name}
          getOptionKey={(a) => a.id}
          blurOnSelect
          clearOnBlur
          onChange={(_, a) => {
            if (a) add(a)
            setPicked(null)
          }}
          renderOption={(props, a) => (
            <li {...props} key={a.id}>
              <Box>
                <Box>{a.name}</Box>
                <Box sx={{ fontSize: 12.5, color: 'text.secondary' }}>
                  {a.massKg ? figureText(a.massKg.most, 'kg', units) : 'mass unknown'}, {figureText(a.lengthMm, 'mm', units)} long,{' '}
                  {a.massBasis}
                </Box>
              </Box>
            </li>
          )}
          renderInput={(params) => <TextField {...params} label="Add from the catalogue" />}
        />
        <Button variant="outlined" onClick={() => add(typed)} disabled={job.brief.cargo.length >= MOST_ITEMS}>
          Type a new item
        </Button>
      </Box>
      {job.brief.cargo.length === 0 && (
        <Box sx={{ border: '1px dashed', borderColor: 'divider', p: 3, color: 'text.secondary' }}>
          Nothing yet. Add the first thing the client wants to carry; its own overhang and span rules lay out the bars.
        </Box>
      )}
      <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: 'repeat(auto-fill, minmax(min(100%, 400px), 1fr))' }}>
        {job.brief.cargo.map((c) => (
          <CargoCard key={c.id} c={c} />
        ))}
      </Box>
    </Box>
  )
}

function CargoCard({ c }: { c: Cargo }) {
  const set = (patch: Partial<Cargo>) => change(c.id, patch)
  return (
    <Box
      component="article"
      aria-label={c.name}
      sx={{
        border: 1,
        borderColor: 'divider',
        bgcolor: 'background.paper',
        p: 1.25,
        display: 'grid',
        gap: 1.25,
        gridTemplateColumns: { xs: 'repeat(2, minmax(0,1fr))', sm: 'repeat(3, minmax(0,1fr))' },
      }}
    >
      <Box sx={{ gridColumn: '1 / -1', display: 'flex', gap: 1 }}>
        <TextInput label="Item" value={c.name} maxLength={120} required="give the item a name" onChange={(name) => set({ name })} />
        <Button size="small" onClick={() => more(c)} aria-label={`One more of ${c.name}`} sx={{ whiteSpace: 'nowrap', flexShrink: 0 }}>
          One more
        </Button>
        <RemoveButton
          of={c.name}
          onClick={() => editJob((j) => ({ ...j, brief: { ...j.brief, cargo: j.brief.cargo.filter((o) => o.id !== c.id) } }))}
        />
      </Box>
      <Mass c={c} set={set} />
      <SizesAndRules c={c} set={set} />
      <FormControlLabel
        sx={{ gridColumn: '1 / -1', m: 0 }}
        control={
          <Switch
            size="small"
            checked={c.oneBody}
            onChange={(_, oneBody) => set(oneBody ? { oneBody, on: c.on.slice(0, 1) } : { oneBody })}
          />
        }
        label="Its maker wants it on one body"
      />
      <FormControlLabel
        sx={{ gridColumn: '1 / -1', m: 0 }}
        control={<Switch size="small" checked={c.people} onChange={(_, people) => set({ people })} />}
        label="People sit, sleep or stand on it"
      />
      <FormControlLabel
        sx={{ gridColumn: '1 / -1', m: 0 }}
        control={<Switch size="small" checked={c.opens} onChange={(_, opens) => set({ opens })} />}
        label="It is opened when parked: an awning, a tent"
      />
      {c.opens && <StandsOpen c={c} set={set} />}
      <Box sx={{ gridColumn: '1 / -1' }}>
        <TextInput label="Where the rule comes from" value={c.ruleSource} onChange={(ruleSource) => set({ ruleSource })} />
      </Box>
    </Box>
  )
}

type Fields = { c: Cargo; set: (patch: Partial<Cargo>) => void }

const SIDES = [
  { value: 'left', label: 'left' },
  { value: 'right', label: 'right' },
  { value: 'front', label: 'front' },
  { value: 'rear', label: 'rear' },
] as const

const OPEN_MEASURES = [
  { key: 'reachMm', label: 'Reaches out', min: 0, max: 6000, help: '0 = it only rises' },
  { key: 'highMm', label: 'Open, high', min: 1, max: 6000 },
  { key: 'windRatedKmh', label: 'Stands wind to', dimension: 'speed', min: 0, max: 200, help: 'by its maker' },
] as const

/** How it stands open while parked: without that, the wind on it is not assessed. */
function StandsOpen({ c, set }: Fields) {
  const { openAs } = c
  const fresh = { reachMm: null, highMm: null, windRatedKmh: null }
  return (
    <>
      <ChoiceInput
        label="Opens out to"
        value={openAs?.to ?? null}
        empty="nobody said"
        options={SIDES}
        onChange={(to) => set({ openAs: { ...fresh, ...openAs, to } })}
        onEmpty={() => set({ openAs: undefined })}
      />
      {openAs &&
        OPEN_MEASURES.map(({ key, ...field }) => (
          <QuantityInput key={key} optional {...field} value={openAs[key]} onChange={(v) => set({ openAs: { ...openAs, [key]: v } })} />
        ))}
    </>
  )
}

/** Between which masses it lies, and how that is known. */
function Mass({ c, set }: Fields) {
  const mass = (least: number | null, most: number | null) => {
    if (least === null && most === null) return set({ massKg: null, massBasis: 'unknown' })
    const [a, b] = [least ?? most ?? 0, most ?? least ?? 0]
    set({ massKg: { least: Math.min(a, b), most: Math.max(a, b) }, massBasis: c.massBasis === 'unknown' ? 'estimated' : c.massBasis })
  }
  return (
    <>
      <QuantityInput
        label="Mass, least"
        dimension="mass"
        optional
        min={0}
        max={c.massKg?.most ?? 5000}
        value={c.massKg?.least ?? null}
        onChange={(v) => mass(v, v === null ? null : (c.massKg?.most ?? v))}
      />
      <QuantityInput
        label="Mass, greatest"
        dimension="mass"
        optional
        min={c.massKg?.least ?? 0}
        max={5000}
        value={c.massKg?.most ?? null}
        onChange={(v) => mass(v === null ? null : (c.massKg?.least ?? v), v)}
      />
      <ChoiceInput
        label="Known how"
        value={c.massBasis}
        options={[
          { value: 'weighed', label: 'weighed' },
          { value: 'maker', label: "maker's" },
          { value: 'estimated', label: 'estimated' },
          { value: 'unknown', label: 'unknown' },
        ]}
        onChange={(massBasis) => set(massBasis === 'unknown' ? { massBasis, massKg: null } : { massBasis })}
      />
    </>
  )
}

function SizesAndRules({ c, set }: Fields) {
  return (
    <>
      <QuantityInput label="Length" min={1} max={20_000} value={c.lengthMm} onChange={(v) => v && set({ lengthMm: v })} />
      <QuantityInput label="Width" min={1} max={20_000} value={c.widthMm} onChange={(v) => v && set({ widthMm: v })} />
      <QuantityInput label="Height" min={1} max={20_000} value={c.heightMm} onChange={(v) => v && set({ heightMm: v })} />
      <QuantityInput
        label="Free overhang, most"
        optional
        placeholder="no rule"
        min={0}
        max={20_000}
        value={c.maxOverhangMm}
        onChange={(maxOverhangMm) => set({ maxOverhangMm })}
      />
      <QuantityInput
        label="Span, most"
        optional
        placeholder="no rule"
        min={1}
        max={20_000}
        value={c.maxSpanMm}
        onChange={(maxSpanMm) => set({ maxSpanMm })}
      />
      <ChoiceInput
        label="Counts when"
        value={c.counts}
        options={[
          { value: 'driving', label: 'driving' },
          { value: 'parked', label: 'parked' },
          { value: 'both', label: 'both' },
        ]}
        onChange={(counts) => set({ counts })}
      />
      <ChoiceInput
        label="Kind of use"
        value={c.use}
        options={uses.map((value) => ({ value, label: value }))}
        onChange={(use) => set({ use })}
      />
      <QuantityInput
        label="Stops the wind, share"
        dimension="number"
        help="1 = a closed box"
        min={0.05}
        max={1}
        value={c.stopsAir}
        onChange={(v) => v && set({ stopsAir: v })}
      />
    </>
  )
}
