import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { lazy, Suspense, useState } from 'react'
import type { BoughtPart } from '../../../core/catalogue/boughtParts'
import { chosenStruts, type Leaf, type LidStruts } from '../../../core/fit/lidStruts'
import { withMeasured } from '../../../core/fit/measuredStruts'
import { hingeFigure, latchFigure } from '../../../core/fit/strutFigures'
import type { Job } from '../../../core/job/job'
import { formatQuantity } from '../../../core/quantity/formatQuantity'
import type { StrutSize } from '../../../core/strut/strutCurve'
import { newStruts, type Struts } from '../../../core/strut/struts'
import { useShelf } from '../../api/queries'
import { FigureValue } from '../../figure/Working'
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
  const known = withMeasured(own, leaf.mover, job.vehicle)
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
      {leaf.own && <LeafItself own={own} known={known} put={put} />}
      <ChoiceInput
        label="From the shelf"
        value={sizes.some((s) => s.id === own.partId) ? own.partId : null}
        empty="as typed below"
        options={sizes.map((s) => ({ value: s.id, label: s.name }))}
        onChange={pick}
        onEmpty={() => put({ partId: null })}
      />
      <Size own={own} known={known} put={put} />
      <Ends own={own} known={known} put={put} />
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

type Part = { own: Struts; known: ReturnType<typeof withMeasured>; put: (patch: Partial<Struts>) => void }

function LeafItself({ own, known, put }: Part) {
  return (
    <Two>
      <Typed
        label="The leaf itself"
        dimension="mass"
        range={[0, 500]}
        value={own.leafKg}
        sheet={known.leafKg}
        onChange={(leafKg) => put({ leafKg })}
      />
      <Typed
        label="Its middle, out"
        range={[0, 5000]}
        value={own.leafOutMm}
        sheet={known.leafOutMm}
        onChange={(leafOutMm) => put({ leafOutMm })}
      />
    </Two>
  )
}

function Size({ own, known, put }: Part) {
  return (
    <Two>
      <ChoiceInput
        label="How many"
        value={String(own.count)}
        options={[1, 2, 3, 4].map((n) => ({ value: String(n), label: String(n) }))}
        onChange={(n) => put({ count: Number(n) })}
      />
      <Typed
        label="Force"
        dimension="force"
        range={[1, 20_000]}
        value={own.forceN}
        sheet={known.forceN}
        onChange={(forceN) => put({ forceN, partId: null })}
      />
      <Typed
        label="Full length"
        range={[20, 3000]}
        value={own.extendedMm}
        sheet={null}
        onChange={(extendedMm) => put({ extendedMm, partId: null })}
      />
      <Typed label="Stroke" range={[5, 2000]} value={own.strokeMm} sheet={null} onChange={(strokeMm) => put({ strokeMm, partId: null })} />
    </Two>
  )
}

/** Where they stand on the leaf and on the body. */
function Ends({ own, known, put }: Part) {
  return (
    <>
      <Typography variant="caption" sx={{ color: 'text.secondary' }}>
        Ends, from the hinge: out along the shut leaf, and below it.
      </Typography>
      <Two>
        {(['onLeaf', 'onBody'] as const).flatMap((end) =>
          (['outMm', 'belowMm'] as const).map((way) => (
            <Typed
              key={end + way}
              label={`On the ${end === 'onLeaf' ? 'leaf' : 'body'}, ${way === 'outMm' ? 'out' : 'below'}`}
              range={[-5000, 5000]}
              value={own[end][way]}
              sheet={known[end][way]}
              onChange={(mm) => put({ [end]: { ...own[end], [way]: mm } })}
            />
          )),
        )}
      </Two>
    </>
  )
}

/** A figure of the struts; what the measuring sheet holds stands in the empty field and counts until something is typed. */
function Typed({
  sheet,
  range: [min, max],
  ...field
}: {
  label: string
  dimension?: 'mass' | 'force'
  range: [number, number]
  value: number | null
  sheet: number | null
  onChange: (value: number | null) => void
}) {
  const units = useUnits()
  const measured = field.value === null && sheet !== null
  return (
    <QuantityInput
      {...field}
      optional
      min={min}
      max={max}
      {...(measured ? { placeholder: formatQuantity(sheet, field.dimension ?? 'length', units), help: 'as measured' } : {})}
    />
  )
}

const Two = ({ children }: { children: React.ReactNode }) => (
  <Box sx={{ display: 'grid', gridTemplateColumns: 'minmax(0,1fr) minmax(0,1fr)', gap: 1 }}>{children}</Box>
)

function Answer({ worked }: { worked: LidStruts | undefined }) {
  if (!worked) return null
  const { curve, given } = worked
  if (!curve || !given)
    return (
      <Typography variant="caption" sx={{ color: (t) => t.inks.unknown }}>
        Not assessed. Missing: {worked.lacks.join(', ')}.
      </Typography>
    )
  const { outOfReach, liftsFromDeg } = curve
  const id = `strut.${worked.struts.moverId}`
  return (
    <>
      <Suspense fallback={null}>
        <StrutChart curve={curve} />
      </Suspense>
      {outOfReach && (
        <Line>
          The strut is {outOfReach.says} at {Math.round(outOfReach.deg)}°.
        </Line>
      )}
      <Line>
        {curve.holdsOpenNmm >= curve.closesOpenNmm
          ? 'Holds it open, old and in the cold.'
          : 'Does not hold it open when old and cold: it falls shut.'}
      </Line>
      <Line>
        {liftsFromDeg === null ? 'Never lifts by itself.' : `Lifts by itself from ${Math.round(liftsFromDeg)}° when hot.`}
        {curve.atLatchN > 1 && (
          <>
            {' '}
            Pushes the latch by <FigureValue figure={latchFigure(`${id}.latch`, { given, curve })} />.
          </>
        )}
      </Line>
      <Line>
        At the hinges <FigureValue figure={hingeFigure(`${id}.hinge`, { given, curve })} /> at most. Their ends are not checked against
        other parts.
      </Line>
    </>
  )
}

const Line = ({ children }: { children: React.ReactNode }) => (
  <Typography variant="caption" component="p">
    {children}
  </Typography>
)
