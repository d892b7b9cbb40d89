import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { lazy, Suspense, useState } from 'react'
import type { BoughtPart } from '../../../core/catalogue/boughtParts'
import { chosenStruts, type Leaf, type LidStruts } from '../../../core/fit/lidStruts'
import type { Job } from '../../../core/job/job'
import { figureText } from '../../../core/quantity/figureText'
import type { StrutSize } from '../../../core/strut/strutCurve'
import { newStruts, type Struts } from '../../../core/strut/struts'
import { useShelf } from '../../api/queries'
import { editJob } from '../../job/jobStore'
import { useRules } from '../../job/useEvaluation'
import { ChoiceInput } from '../../quantity/ChoiceInput'
import { QuantityInput } from '../../quantity/QuantityInput'
import { useUnits } from '../../quantity/units'

const StrutChart = lazy(() => import('./StrutChart'))

const sized = (parts: BoughtPart[]): (StrutSize & { name: string })[] =>
  parts.flatMap((p) =>
    p.kind === 'strut' && p.forceN !== null && p.lengthMm !== null && p.strokeMm !== null
      ? [{ id: p.id, name: p.name, forceN: p.forceN, extendedMm: p.lengthMm, strokeMm: p.strokeMm }]
      : [],
  )

/** Gas struts under one leaf: what they are, where their ends stand, and what a hand feels over the whole way. */
export function StrutPanel({ job, leaf, worked }: { job: Job; leaf: Leaf; worked: LidStruts | undefined }) {
  const shelf = useShelf('parts')
  const sizes = sized(shelf.data?.document ?? [])
  const rules = useRules()
  const [none, setNone] = useState(false)
  const own = job.struts.find((s) => s.moverId === leaf.mover.id)
  const put = (patch: Partial<Struts>) =>
    editJob((j) => ({ ...j, struts: j.struts.map((s) => (s.moverId === leaf.mover.id ? { ...s, ...patch } : s)) }))
  if (!own)
    return (
      <Button size="small" onClick={() => editJob((j) => ({ ...j, struts: [...j.struts, newStruts(leaf.mover.id)] }))}>
        Gas struts
      </Button>
    )
  const best = () => {
    const found = chosenStruts(leaf, sizes, rules)
    setNone(found === null)
    if (!found) return
    const at = (p: { out: number; up: number }) => ({ outMm: Math.round(p.out), belowMm: Math.round(-p.up) })
    const { id, forceN, extendedMm, strokeMm } = found.size
    put({ partId: id, forceN, extendedMm, strokeMm, count: found.count, onLeaf: at(found.onLeaf), onBody: at(found.onBody) })
  }
  const pick = (id: string) => {
    const size = sizes.find((s) => s.id === id)
    if (size) put({ partId: id, forceN: size.forceN, extendedMm: size.extendedMm, strokeMm: size.strokeMm })
  }
  return (
    <Box sx={{ mt: 1, pl: 1, borderLeft: 2, borderColor: 'divider', display: 'grid', gap: 1.25 }}>
      <Box sx={{ display: 'flex', justifyContent: 'space-between', alignItems: 'center' }}>
        <Typography variant="h3">Gas struts</Typography>
        <Button size="small" onClick={() => editJob((j) => ({ ...j, struts: j.struts.filter((s) => s !== own) }))}>
          Remove
        </Button>
      </Box>
      {leaf.own && (
        <Two>
          <QuantityInput
            label="The leaf itself"
            dimension="mass"
            optional
            min={0}
            max={500}
            value={own.leafKg}
            onChange={(leafKg) => put({ leafKg })}
          />
          <QuantityInput
            label="Its middle, out"
            optional
            min={0}
            max={5000}
            value={own.leafOutMm}
            onChange={(leafOutMm) => put({ leafOutMm })}
          />
        </Two>
      )}
      <ChoiceInput
        label="From the shelf"
        value={sizes.some((s) => s.id === own.partId) ? own.partId : null}
        empty="as typed below"
        options={sizes.map((s) => ({ value: s.id, label: s.name }))}
        onChange={pick}
        onEmpty={() => put({ partId: null })}
      />
      <Two>
        <ChoiceInput
          label="How many"
          value={String(own.count)}
          options={[1, 2, 3, 4].map((n) => ({ value: String(n), label: String(n) }))}
          onChange={(n) => put({ count: Number(n) })}
        />
        <QuantityInput
          label="Force"
          dimension="force"
          optional
          min={1}
          max={20_000}
          value={own.forceN}
          onChange={(forceN) => put({ forceN, partId: null })}
        />
        <QuantityInput
          label="Full length"
          optional
          min={20}
          max={3000}
          value={own.extendedMm}
          onChange={(extendedMm) => put({ extendedMm, partId: null })}
        />
        <QuantityInput
          label="Stroke"
          optional
          min={5}
          max={2000}
          value={own.strokeMm}
          onChange={(strokeMm) => put({ strokeMm, partId: null })}
        />
      </Two>
      <Typography variant="caption" sx={{ color: 'text.secondary' }}>
        Ends, from the hinge: out along the shut leaf, and below it.
      </Typography>
      <Two>
        <QuantityInput
          label="On the leaf, out"
          optional
          min={-5000}
          max={5000}
          value={own.onLeaf.outMm}
          onChange={(outMm) => put({ onLeaf: { ...own.onLeaf, outMm } })}
        />
        <QuantityInput
          label="On the leaf, below"
          optional
          min={-5000}
          max={5000}
          value={own.onLeaf.belowMm}
          onChange={(belowMm) => put({ onLeaf: { ...own.onLeaf, belowMm } })}
        />
        <QuantityInput
          label="On the body, out"
          optional
          min={-5000}
          max={5000}
          value={own.onBody.outMm}
          onChange={(outMm) => put({ onBody: { ...own.onBody, outMm } })}
        />
        <QuantityInput
          label="On the body, below"
          optional
          min={-5000}
          max={5000}
          value={own.onBody.belowMm}
          onChange={(belowMm) => put({ onBody: { ...own.onBody, belowMm } })}
        />
      </Two>
      <Button variant="outlined" size="small" onClick={best} disabled={leaf.lacks.length > 0 || sizes.length === 0}>
        Best of the shelf, ends too
      </Button>
      {none && (
        <Typography role="alert" variant="caption" color="error">
          No size on the shelf holds it open old and cold within its stroke: bring a larger one to Bought parts.
        </Typography>
      )}
      <Answer worked={worked} />
    </Box>
  )
}

const Two = ({ children }: { children: React.ReactNode }) => (
  <Box sx={{ display: 'grid', gridTemplateColumns: 'minmax(0,1fr) minmax(0,1fr)', gap: 1 }}>{children}</Box>
)

function Answer({ worked }: { worked: LidStruts | undefined }) {
  const units = useUnits()
  if (!worked) return null
  if (!worked.curve)
    return (
      <Typography variant="caption" sx={{ color: (t) => t.inks.unknown }}>
        Not assessed. Missing: {worked.lacks.join(', ')}.
      </Typography>
    )
  const { curve } = worked
  const says = [
    curve.outOfReach ? `The strut is ${curve.outOfReach.says} at ${Math.round(curve.outOfReach.deg)}°.` : null,
    curve.holdsOpenNmm >= curve.closesOpenNmm
      ? 'Holds it open, old and in the cold.'
      : 'Does not hold it open when old and cold: it falls shut.',
    curve.liftsFromDeg === null
      ? 'Never lifts by itself.'
      : `Lifts by itself from ${Math.round(curve.liftsFromDeg)}° when hot${curve.atLatchN > 1 ? `, and pushes the latch by ${figureText(curve.atLatchN, 'N', units)}` : ''}.`,
    `At the hinge ${figureText(curve.mostAtHingeN, 'N', units)} at most. Their ends are not checked against other parts.`,
  ]
  return (
    <>
      <Suspense fallback={null}>
        <StrutChart curve={curve} />
      </Suspense>
      {says.map(
        (s) =>
          s && (
            <Typography key={s} variant="caption" component="p">
              {s}
            </Typography>
          ),
      )}
    </>
  )
}
