import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import FormControlLabel from '@mui/material/FormControlLabel'
import Switch from '@mui/material/Switch'
import { formatLength } from '../../core/quantity/formatQuantity'
import { learned } from '../../core/workshop/learned'
import {
  type Die,
  DieSchema,
  type Saw,
  SawSchema,
  type Welder,
  WelderSchema,
  type Workshop,
  weldProcesses,
} from '../../core/workshop/workshop'
import { useSaveShelf, useShelf } from '../api/queries'
import { ChoiceInput } from '../quantity/ChoiceInput'
import { QuantityInput } from '../quantity/QuantityInput'
import { RemoveButton } from '../quantity/RemoveButton'
import { TextInput } from '../quantity/TextInput'
import { useUnits } from '../quantity/units'
import { CoatList } from './CoatList'
import { fresh, Kind, Part, Row, row, without } from './listParts'

const processes = weldProcesses.map((value) => ({ value, label: value }))

/** Saws, dies, hole saws and welders: what every design is checked against while it is drawn. */
export function WorkshopList() {
  const shelf = useShelf('shop')
  const save = useSaveShelf('shop')
  const units = useUnits()
  const w = shelf.data?.document.workshop
  const put = (patch: Partial<Workshop>) =>
    shelf.data &&
    save.mutate({
      revision: shelf.data.revision,
      document: { ...shelf.data.document, workshop: { ...shelf.data.document.workshop, ...patch } },
    })
  if (!w) return null
  const saw = (id: string, patch: Partial<Saw>) => put({ saws: row(w.saws, id, patch) })
  const die = (id: string, patch: Partial<Die>) => put({ dies: row(w.dies, id, patch) })
  const welder = (id: string, patch: Partial<Welder>) => put({ welders: row(w.welders, id, patch) })
  return (
    <Part
      title="What it can do itself"
      about="Every design is checked against these while it is drawn. What is not listed is not there."
      fault={save.error}
    >
      <Kind
        title="Saws"
        add="Add a saw"
        onAdd={() => put({ saws: [...w.saws, SawSchema.parse({ id: fresh(w.saws, 'saw'), name: 'Saw' })] })}
      >
        {w.saws.map((s) => (
          <Row key={s.id} name={s.name} onRemove={() => put({ saws: without(w.saws, s.id) })}>
            <TextInput label="Name" value={s.name} maxLength={80} onChange={(name) => saw(s.id, { name })} />
            <QuantityInput
              label="Turns left"
              dimension="angle"
              min={0}
              max={89}
              value={s.mostLeftDeg}
              onChange={(v) => v !== null && saw(s.id, { mostLeftDeg: v })}
            />
            <QuantityInput
              label="Turns right"
              dimension="angle"
              min={0}
              max={89}
              value={s.mostRightDeg}
              onChange={(v) => v !== null && saw(s.id, { mostRightDeg: v })}
            />
            <QuantityInput
              label="Throat"
              min={10}
              max={2000}
              value={s.throatMm}
              onChange={(v) => v !== null && saw(s.id, { throatMm: v })}
            />
            <QuantityInput
              label="Vice opens"
              min={10}
              max={2000}
              value={s.viceMm}
              onChange={(v) => v !== null && saw(s.id, { viceMm: v })}
            />
            <QuantityInput
              label="Stop reaches"
              min={0}
              max={20_000}
              value={s.stopMm}
              onChange={(v) => v !== null && saw(s.id, { stopMm: v })}
            />
            <QuantityInput
              label="Off square over 100 mm"
              exact
              min={0}
              max={20}
              value={s.outOfSquareMm}
              onChange={(v) => v !== null && saw(s.id, { outOfSquareMm: v })}
            />
          </Row>
        ))}
      </Kind>
      <Kind
        title="Bender and dies"
        add="Add a die"
        onAdd={() => put({ dies: [...w.dies, DieSchema.parse({ id: fresh(w.dies, 'die'), tubeMm: 32, radiusMm: 96 })] })}
      >
        <Box sx={{ maxWidth: 220, mb: 1 }}>
          <QuantityInput
            label="Tool above the floor"
            min={0}
            max={3000}
            value={w.benderHeightMm}
            onChange={(v) => v !== null && put({ benderHeightMm: v })}
          />
        </Box>
        {w.dies.map((d) => {
          const known = learned(d)
          return (
            <Row key={d.id} name={`die ${formatLength(d.tubeMm, units)}`} onRemove={() => put({ dies: without(w.dies, d.id) })}>
              <QuantityInput
                label="Tube, outside"
                exact
                min={5}
                max={500}
                value={d.tubeMm}
                onChange={(v) => v !== null && die(d.id, { tubeMm: v })}
              />
              <QuantityInput
                label="Centre-line radius"
                exact
                min={5}
                max={5000}
                value={d.radiusMm}
                onChange={(v) => v !== null && die(d.id, { radiusMm: v })}
              />
              <QuantityInput
                label="Bends up to"
                dimension="angle"
                min={1}
                max={180}
                value={d.mostDeg}
                onChange={(v) => v !== null && die(d.id, { mostDeg: v })}
              />
              <QuantityInput
                label="Straight before"
                min={0}
                max={2000}
                value={d.straightBeforeMm}
                onChange={(v) => v !== null && die(d.id, { straightBeforeMm: v })}
              />
              <QuantityInput
                label="Straight between"
                min={0}
                max={2000}
                value={d.straightBetweenMm}
                onChange={(v) => v !== null && die(d.id, { straightBetweenMm: v })}
              />
              <Box sx={{ alignSelf: 'center', fontSize: 14, color: 'text.secondary' }}>
                {known
                  ? `${known.trials} tried, last ${known.last}: back ${known.leastDeg.toFixed(1)}° to ${known.mostDeg.toFixed(1)}° at 90°`
                  : 'not tried yet'}
                {known && (
                  <Button size="small" onClick={() => die(d.id, { trials: d.trials.slice(0, -1) })}>
                    Reject the last
                  </Button>
                )}
              </Box>
            </Row>
          )
        })}
      </Kind>
      <Kind title="Hole saws and notcher" add="Add a hole saw" onAdd={() => put({ holeSawsMm: [...w.holeSawsMm, 32] })}>
        <FormControlLabel
          control={<Switch checked={w.notcher} onChange={(_, notcher) => put({ notcher })} />}
          label="A notcher that cuts any saddle"
        />
        <Box sx={{ display: 'grid', gap: 1, gridTemplateColumns: 'repeat(auto-fill, minmax(150px, 1fr))', maxWidth: 760 }}>
          {w.holeSawsMm.map((d, i) => (
            <Box key={i} sx={{ display: 'flex', gap: 0.5 }}>
              <QuantityInput
                label={`Hole saw ${i + 1}`}
                exact
                min={5}
                max={300}
                value={d}
                onChange={(v) => v !== null && put({ holeSawsMm: w.holeSawsMm.map((o, k) => (k === i ? v : o)) })}
              />
              <RemoveButton of={`hole saw ${i + 1}`} onClick={() => put({ holeSawsMm: w.holeSawsMm.filter((_, k) => k !== i) })} />
            </Box>
          ))}
        </Box>
      </Kind>
      <Kind
        title="Welders"
        add="Add a welder"
        onAdd={() => put({ welders: [...w.welders, WelderSchema.parse({ id: fresh(w.welders, 'welder'), process: 'MIG' })] })}
      >
        {w.welders.map((x) => (
          <Row key={x.id} name={x.process} onRemove={() => put({ welders: without(w.welders, x.id) })}>
            <ChoiceInput label="Process" value={x.process} options={processes} onChange={(process) => welder(x.id, { process })} />
            <QuantityInput
              label="Draws, A"
              dimension="number"
              min={1}
              max={500}
              value={x.drawsA}
              onChange={(v) => v !== null && welder(x.id, { drawsA: v })}
            />
            <QuantityInput
              label="Breaker, A"
              dimension="number"
              min={1}
              max={500}
              value={x.breakerA}
              onChange={(v) => v !== null && welder(x.id, { breakerA: v })}
            />
            <QuantityInput
              label="Supply, V"
              dimension="number"
              min={12}
              max={1000}
              value={x.supplyV}
              onChange={(v) => v !== null && welder(x.id, { supplyV: v })}
            />
            <QuantityInput
              label="Lead, length"
              min={0}
              max={500_000}
              value={x.leadMm}
              onChange={(v) => v !== null && welder(x.id, { leadMm: v })}
            />
            <QuantityInput
              label="Lead, one conductor, mm²"
              dimension="number"
              min={0.1}
              max={500}
              value={x.leadMm2}
              onChange={(v) => v !== null && welder(x.id, { leadMm2: v })}
            />
            <FormControlLabel
              control={<Switch checked={x.aluminium} onChange={(_, aluminium) => welder(x.id, { aluminium })} />}
              label="Set up for aluminium"
            />
          </Row>
        ))}
      </Kind>
      <CoatList workshop={w} put={put} />
      <Kind title="Everything else">
        <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: 'repeat(auto-fill, minmax(170px, 1fr))', maxWidth: 760 }}>
          <QuantityInput
            label="Largest drill"
            exact
            min={0}
            max={100}
            value={w.drillMostMm}
            onChange={(v) => v !== null && put({ drillMostMm: v })}
          />
          <QuantityInput
            label="Brake, length"
            min={0}
            max={20_000}
            value={w.brakeMm}
            onChange={(v) => v !== null && put({ brakeMm: v })}
            help="0 = there is none"
          />
          <QuantityInput
            label="Sent out, days"
            dimension="number"
            min={0}
            max={365}
            optional
            value={w.subcontractDays}
            onChange={(v) => put({ subcontractDays: v === null ? null : Math.round(v) })}
            help="empty = nothing is"
          />
        </Box>
      </Kind>
    </Part>
  )
}
