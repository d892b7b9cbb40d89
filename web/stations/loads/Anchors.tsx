import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import type { Job } from '../../../core/job/job'
import { strengthWords } from '../../../core/limits/strength'
import { type Anchor, anchorParts, anchorRating } from '../../../core/securing/anchors'
import { FigureValue } from '../../figure/Working'
import { editJob } from '../../job/jobStore'
import { ChoiceInput } from '../../quantity/ChoiceInput'
import { QuantityInput } from '../../quantity/QuantityInput'
import { RemoveButton } from '../../quantity/RemoveButton'
import { TextInput } from '../../quantity/TextInput'
import { Group } from '../Group'

const parts = anchorParts.map((value) => ({ value, label: value }))
const words = strengthWords.map((value) => ({ value, label: value }))

/** What straps are hooked to: every part the pull goes through, how each is known, and what the weakest leaves. */
export function Anchors({ job }: { job: Job }) {
  const add = () =>
    editJob((j) => {
      let n = j.anchors.length + 1
      while (j.anchors.some((a) => a.id === `anchor-${n}`)) n++
      return {
        ...j,
        anchors: [
          ...j.anchors,
          { id: `anchor-${n}`, name: `Anchor ${n}`, count: null, links: [{ part: 'ring', word: 'maker-rated', holdsN: null }] },
        ],
      }
    })
  return (
    <Group
      title="Anchors"
      action={
        <Button onClick={add} disabled={job.anchors.length >= 40}>
          Add
        </Button>
      }
    >
      {!job.anchors.length && (
        <Box sx={{ fontSize: 14, color: 'text.secondary' }}>
          A strap is worth what it is hooked to. Add the rings, rails or bars it goes to.
        </Box>
      )}
      {job.anchors.map((a) => (
        <OneAnchor key={a.id} anchor={a} />
      ))}
    </Group>
  )
}

const set = (id: string, change: (a: Anchor) => Anchor) =>
  editJob((j) => ({ ...j, anchors: j.anchors.map((a) => (a.id === id ? change(a) : a)) }))

function OneAnchor({ anchor: a }: { anchor: Anchor }) {
  const link = (i: number, patch: Partial<Anchor['links'][number]>) =>
    set(a.id, (o) => ({ ...o, links: o.links.map((l, k) => (k === i ? { ...l, ...patch } : l)) }))
  return (
    <Box sx={{ border: 1, borderColor: 'divider', p: 1, display: 'grid', gap: 1 }}>
      <Box sx={{ display: 'flex', gap: 0.5 }}>
        <TextInput
          label="Name"
          value={a.name}
          required="give it a name"
          maxLength={80}
          onChange={(name) => set(a.id, (o) => ({ ...o, name }))}
        />
        <RemoveButton of={a.name} onClick={() => editJob((j) => ({ ...j, anchors: j.anchors.filter((o) => o.id !== a.id) }))} />
      </Box>
      <QuantityInput
        label="How many points there are"
        dimension="number"
        optional
        placeholder="unknown"
        min={1}
        max={200}
        value={a.count}
        onChange={(count) => set(a.id, (o) => ({ ...o, count: count === null ? null : Math.round(count) }))}
      />
      {a.links.map((l, i) => (
        <Link
          key={i}
          of={a.name}
          link={l}
          set={(patch) => link(i, patch)}
          remove={() => set(a.id, (o) => ({ ...o, links: o.links.filter((_, k) => k !== i) }))}
        />
      ))}
      <Box sx={{ display: 'flex', justifyContent: 'space-between', alignItems: 'center', fontSize: 14 }}>
        <Button
          onClick={() => set(a.id, (o) => ({ ...o, links: [...o.links, { part: 'bolt', word: 'calculated', holdsN: null }] }))}
          disabled={a.links.length >= 12}
        >
          Add a part
        </Button>
        <span>
          weakest: <FigureValue figure={anchorRating(a)} />
        </span>
      </Box>
    </Box>
  )
}

type LinkProps = { of: string; link: Anchor['links'][number]; set: (patch: Partial<Anchor['links'][number]>) => void; remove: () => void }
function Link({ of, link: l, set, remove }: LinkProps) {
  return (
    <Box sx={{ display: 'grid', gap: 0.75, gridTemplateColumns: 'minmax(0,1fr) minmax(0,1fr) 32px' }}>
      <ChoiceInput label="Part" value={l.part} options={parts} onChange={(part) => set({ part })} />
      <QuantityInput
        label="Holds"
        dimension="force"
        optional
        placeholder="unknown"
        min={0}
        max={1_000_000}
        value={l.holdsN}
        onChange={(holdsN) => set({ holdsN })}
      />
      <RemoveButton of={`the ${l.part} of ${of}`} onClick={remove} />
      <Box sx={{ gridColumn: '1 / 4' }}>
        <ChoiceInput label="Known by" value={l.word} options={words} onChange={(word) => set({ word })} />
      </Box>
    </Box>
  )
}
