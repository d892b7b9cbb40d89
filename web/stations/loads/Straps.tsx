import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import FormControlLabel from '@mui/material/FormControlLabel'
import Switch from '@mui/material/Switch'
import Typography from '@mui/material/Typography'
import type { Cargo } from '../../../core/brief/cargo'
import type { Job } from '../../../core/job/job'
import { loadCases } from '../../../core/loads/loadCases'
import { type Securing, securingNeeds } from '../../../core/securing/securing'
import { leastStraps, strapMissing } from '../../../core/securing/straps'
import { useView } from '../../drawing/DrawingPane'
import { useRules } from '../../job/useEvaluation'
import { ChoiceInput } from '../../quantity/ChoiceInput'
import { QuantityInput } from '../../quantity/QuantityInput'
import { RemoveButton } from '../../quantity/RemoveButton'
import { Group } from '../Group'
import { setCargo } from './setCargo'

const ways = [
  { value: 'over', label: 'over the top' },
  { value: 'forward', label: 'stops it sliding forward' },
  { value: 'rear', label: 'stops it sliding rearward' },
  { value: 'side', label: 'stops it sliding aside' },
] as const
const fresh: Securing = { by: 'straps', blockedForward: false, friction: null, straps: [] }

/** How each item is held: bolted, or by straps, strap by strap; and which one is still missing. */
export function Straps({ job }: { job: Job }) {
  const driving = job.brief.cargo.filter((c) => c.counts !== 'parked')
  if (!driving.length)
    return <Typography sx={{ color: 'text.secondary' }}>Nothing rides on it yet: say at Brief what is carried.</Typography>
  return driving.map((c) => <Held key={c.id} job={job} cargo={c} />)
}

function Held({ job, cargo: c }: { job: Job; cargo: Cargo }) {
  const rules = useRules()
  const select = useView((s) => s.select)
  const s = c.securing
  const put = (patch: Partial<Securing>) => setCargo(c.id, { securing: { ...(s ?? fresh), ...patch } })
  const setStrap = (i: number, patch: Partial<Securing['straps'][number]>) =>
    put({ straps: (s ?? fresh).straps.map((o, k) => (k === i ? { ...o, ...patch } : o)) })
  const needs = securingNeeds(c, job.anchors, loadCases(rules, job.brief.road), rules)
  const missing = needs && strapMissing(needs)
  const least = c.massKg === null ? null : leastStraps(c.lengthMm, c.massKg.most, s?.blockedForward ?? false)
  return (
    <Group title={c.name}>
      <Box onFocusCapture={() => select(`cargo:${c.id}`)} sx={{ display: 'grid', gap: 1.25 }}>
        <ChoiceInput
          label="Held by"
          value={s?.by ?? null}
          empty="nobody said"
          options={[
            { value: 'straps', label: 'straps' },
            { value: 'bolts', label: 'bolts of its own' },
          ]}
          onChange={(by) => put({ by })}
        />
        {s?.by === 'straps' && (
          <>
            <Box sx={{ display: 'grid', gap: 1, gridTemplateColumns: '1fr 1fr', alignItems: 'center' }}>
              <QuantityInput
                label="Friction"
                dimension="number"
                optional
                placeholder={String(rules.friction)}
                min={0.05}
                max={1}
                value={s.friction}
                onChange={(friction) => put({ friction })}
              />
              <FormControlLabel
                control={<Switch checked={s.blockedForward} onChange={(_, blockedForward) => put({ blockedForward })} />}
                label="Held in front"
              />
            </Box>
            {s.straps.map((strap, i) => (
              <Box key={i} sx={{ border: 1, borderColor: 'divider', p: 1, display: 'grid', gap: 1, gridTemplateColumns: '1fr 1fr' }}>
                <Box sx={{ gridColumn: '1 / 3', display: 'flex', gap: 0.5 }}>
                  <Box sx={{ flex: 1 }}>
                    <ChoiceInput label={`Strap ${i + 1}`} value={strap.way} options={ways} onChange={(way) => setStrap(i, { way })} />
                  </Box>
                  <RemoveButton of={`strap ${i + 1} of ${c.name}`} onClick={() => put({ straps: s.straps.filter((_, k) => k !== i) })} />
                </Box>
                <QuantityInput
                  label="Working load limit"
                  dimension="mass"
                  optional
                  placeholder="unknown"
                  min={0}
                  max={20_000}
                  value={strap.wllKg}
                  onChange={(wllKg) => setStrap(i, { wllKg })}
                />
                <QuantityInput
                  label="Angle to the deck"
                  dimension="angle"
                  min={0}
                  max={90}
                  value={strap.angleDeg}
                  onChange={(v) => v !== null && setStrap(i, { angleDeg: v })}
                />
                <Box sx={{ gridColumn: '1 / 3' }}>
                  <ChoiceInput
                    label="Hooked to"
                    value={strap.anchorId}
                    empty="no anchor named"
                    options={job.anchors.map((a) => ({ value: a.id, label: a.name }))}
                    onChange={(anchorId) => setStrap(i, { anchorId })}
                  />
                </Box>
              </Box>
            ))}
            <Button
              variant="outlined"
              disabled={s.straps.length >= 20}
              onClick={() =>
                put({
                  straps: [
                    ...s.straps,
                    s.straps[s.straps.length - 1] ?? {
                      wllKg: null,
                      anchorId: job.anchors[0]?.id ?? null,
                      angleDeg: 60,
                      way: 'over' as const,
                    },
                  ],
                })
              }
            >
              Add a strap
            </Button>
            {least !== null && (
              <Typography variant="caption" sx={{ color: 'text.secondary' }}>
                {least} by its length and mass (49 CFR 393.110).
              </Typography>
            )}
            {missing ? (
              <Alert severity="warning" icon={false}>
                Missing: {missing}.
              </Alert>
            ) : needs ? (
              <Alert severity="success" icon={false}>
                Every direction is held on paper; pull each strap again after the first kilometres.
              </Alert>
            ) : (
              <Alert severity="info" icon={false}>
                Its mass is unknown: nothing can be said of its straps.
              </Alert>
            )}
          </>
        )}
      </Box>
    </Group>
  )
}
