import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import FormControlLabel from '@mui/material/FormControlLabel'
import LinearProgress from '@mui/material/LinearProgress'
import Switch from '@mui/material/Switch'
import ToggleButton from '@mui/material/ToggleButton'
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup'
import Typography from '@mui/material/Typography'
import { useMemo, useState } from 'react'
import { useSearchParams } from 'react-router'
import { cutList } from '../../../core/cutList/cutList'
import type { Job } from '../../../core/job/job'
import { madeAssembly } from '../../../core/job/piecesOf'
import { moneyText } from '../../../core/quantity/money'
import { useShelf } from '../../api/queries'
import { editJob, useJob } from '../../job/jobStore'
import { useRules } from '../../job/useEvaluation'
import { QuantityInput } from '../../quantity/QuantityInput'
import { Group } from '../Group'
import { Workbench } from '../Workbench'
import { AcceptPlan } from './AcceptPlan'
import { Advisor } from './Advisor'
import { BarPictures } from './BarPictures'
import { BarsInHand } from './BarsInHand'
import { BuildView } from './BuildView'
import { CutTables } from './CutTables'
import { HolesView } from './HolesView'
import { SheetWork } from './SheetWork'
import { TubeWork } from './TubeWork'
import { type PlanState, usePlan } from './usePlan'
import { WeldMapView } from './WeldMapView'

/** The cut list on stock: what to buy, where to cut, what comes back. */
export default function CutStation() {
  const job = useJob((s) => s.job)
  const shelf = useShelf('stock')
  const rules = useRules()
  const plan = usePlan(job, shelf.data?.document, rules)
  const [plain, setPlain] = useState(false)
  const [params, setParams] = useSearchParams()
  const sheet = params.get('sheet') ?? 'bars'
  const jobId = useJob((s) => s.id)
  const parts = useMemo(() => (job ? cutList(madeAssembly(job, rules)) : []), [job, rules])
  if (!job || !jobId) return null
  const inputs = (
    <>
      <Cutting job={job} plain={plain} setPlain={setPlain} />
      <Advisor state={plan} />
      <AcceptPlan job={job} state={plan} stockRevision={shelf.data?.revision ?? 0} />
    </>
  )
  const bars = (
    <>
      {shelf.error && <Alert severity="error">The stock rack could not be loaded. {shelf.error.message}</Alert>}
      <PlanHead state={plan} stop={plan.stop} again={plan.again} />
      <BarsInHand job={job} jobId={jobId} parts={parts} stock={shelf.data?.document} />
      {plan.plan && <BarPictures plan={plan.plan} rules={rules} parts={parts} />}
      {plan.plan && plain && (
        <Box sx={{ borderLeft: 3, borderColor: 'divider', pl: 1.5 }}>
          <Typography variant="h3">For comparison, longest piece first: {moneyText(plan.plan.plainCostMinor)}</Typography>
          <BarPictures plan={plan.plan} rules={rules} parts={parts} plain />
        </Box>
      )}
      {plan.plan && <CutTables job={job} plan={plan.plan} lengths={plan.lengths} />}
    </>
  )
  const middle = (
    // it scrolls by the keyboard too, also while nothing in it takes the focus
    <Box
      component="section"
      aria-label="Cut plan"
      tabIndex={0}
      sx={{ height: '100%', overflowY: 'auto', p: 1.5, bgcolor: (t) => t.inks.sheet }}
    >
      <ToggleButtonGroup
        exclusive
        value={sheet}
        onChange={(_, next: string | null) => next && setParams(next === 'bars' ? {} : { sheet: next }, { replace: true })}
        aria-label="What is shown"
        sx={{ mb: 1.5, maxWidth: '100%', overflowX: 'auto', '& button': { whiteSpace: 'nowrap', flexShrink: 0 } }}
      >
        <ToggleButton value="bars">Bars</ToggleButton>
        <ToggleButton value="flat">Sheet</ToggleButton>
        <ToggleButton value="tube">Tube</ToggleButton>
        <ToggleButton value="holes">Holes</ToggleButton>
        <ToggleButton value="welds">Welds</ToggleButton>
        <ToggleButton value="build">Order of work</ToggleButton>
      </ToggleButtonGroup>
      {sheet === 'flat' && <SheetWork job={job} jobId={jobId} />}
      {sheet === 'tube' && <TubeWork job={job} jobId={jobId} />}
      {sheet === 'holes' && <HolesView job={job} jobId={jobId} />}
      {sheet === 'welds' && <WeldMapView job={job} jobId={jobId} />}
      {sheet === 'build' && <BuildView job={job} jobId={jobId} />}
      {sheet === 'bars' && bars}
    </Box>
  )
  return <Workbench job={job} inputs={inputs} middle={middle} />
}

function Cutting({ job, plain, setPlain }: { job: Job; plain: boolean; setPlain: (on: boolean) => void }) {
  return (
    <Group title="Cutting">
      <FormControlLabel
        control={
          <Switch checked={job.cut.useRemnants} onChange={(_, useRemnants) => editJob((j) => ({ ...j, cut: { ...j.cut, useRemnants } }))} />
        }
        label="Use offcuts from the rack first"
      />
      <FormControlLabel
        control={<Switch checked={plain} onChange={(_, on) => setPlain(on)} />}
        label="Show longest piece first beside it"
      />
      <QuantityInput
        label="Bars may become shorter by"
        min={0}
        max={600}
        value={job.cut.maxShorterMm}
        onChange={(v) => v !== null && editJob((j) => ({ ...j, cut: { ...j.cut, maxShorterMm: v } }))}
        help="how far the advisor may go"
      />
    </Group>
  )
}

function PlanHead({ state, stop, again }: { state: PlanState; stop: () => void; again: () => void }) {
  const { plan, running, progress } = state
  return (
    <Box sx={{ mb: 2 }}>
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'baseline', flexWrap: 'wrap' }}>
        <Typography variant="h2">Cut plan</Typography>
        {plan && !running && (
          <>
            <Typography variant="body2" role="status">
              {moneyText(plan.costMinor)} of stock,{' '}
              {plan.utilisation === null ? 'nothing to cut' : `${Math.round(plan.utilisation * 100)} % used`},{' '}
              {plan.proven ? 'proven least cost' : 'best found, not proven'}
            </Typography>
            {plan.plainCostMinor !== null && plan.plainCostMinor > plan.costMinor + 0.5 && (
              <Typography variant="body2" sx={{ color: (t) => t.inks.clear, fontWeight: 600 }}>
                {moneyText(plan.plainCostMinor - plan.costMinor)} less than longest piece first ({moneyText(plan.plainCostMinor)})
              </Typography>
            )}
            {plan.plainCostMinor !== null && plan.plainCostMinor <= plan.costMinor + 0.5 && plan.profiles.length > 0 && (
              <Typography variant="caption" sx={{ color: 'text.secondary' }}>
                longest piece first costs the same
              </Typography>
            )}
          </>
        )}
      </Box>
      {running && (
        <Box sx={{ display: 'flex', alignItems: 'center', gap: 2, mt: 1 }}>
          <LinearProgress aria-label="Planning the cuts" sx={{ flex: 1 }} />
          <Typography variant="caption">
            {progress
              ? `${progress.stage}${progress.cost === null ? '' : `, ${moneyText(progress.cost)}`}, at least ${moneyText(progress.lowerBound)}`
              : 'planning'}
          </Typography>
          <Button variant="outlined" onClick={stop}>
            Stop
          </Button>
        </Box>
      )}
      {state.stopped && (
        <Alert severity="info" action={<Button onClick={again}>Plan again</Button>} sx={{ mt: 1 }}>
          Stopped.{' '}
          {plan ? 'The plan below is the last one that was finished; it may not fit the rack as drawn now.' : 'No plan was finished.'}
        </Alert>
      )}
      {state.fault && (
        <Alert severity="error" action={<Button onClick={again}>Try again</Button>} sx={{ mt: 1 }}>
          The plan could not be made: {state.fault}
        </Alert>
      )}
      {plan && plan.profiles.length === 0 && !running && (
        <Typography sx={{ color: 'text.secondary', mt: 1 }}>Nothing to cut yet: add crossbars at Layout.</Typography>
      )}
    </Box>
  )
}
