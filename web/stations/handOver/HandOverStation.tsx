import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { standingPlan } from '../../../core/issuedPlan/issuedPlan'
import { openItems } from '../../../core/job/openItems'
import { quoteOf } from '../../../core/job/quoteOf'
import { figureText } from '../../../core/quantity/figureText'
import { roadPrompts } from '../../../core/road/roadPrompts'
import { useIssuedPlans, useShelf } from '../../api/queries'
import { DrawingPane } from '../../drawing/DrawingPane'
import { editJob, useJob } from '../../job/jobStore'
import { saveNow } from '../../job/useAutosave'
import { useResult, useRules } from '../../job/useEvaluation'
import { useFit, useFitWanting } from '../../job/useFit'
import { TextInput } from '../../quantity/TextInput'
import { useUnits } from '../../quantity/units'
import { ReuseDialog } from '../../reuse/ReuseDialog'
import { PlanMoved } from '../cut/PlanMoved'
import { usePlan } from '../cut/usePlan'
import { Group } from '../Group'
import { Workbench } from '../Workbench'
import { AfterTheJob } from './AfterTheJob'
import { ClientPanel } from './ClientPanel'
import { OpenFiles, Prints } from './Files'
import { OtherWays } from './OtherWays'
import { Against, PriceTable } from './PriceTable'
import { AskLocally, StillOpen } from './StillOpen'

/** Price and its reasons, the prints and files, and what is still open. */
export default function HandOverStation() {
  const { job, id } = useJob()
  const rules = useRules()
  const units = useUnits()
  const evaluation = useResult((s) => s.evaluation)
  const fit = useFit()
  const wanting = useFitWanting()
  const stock = useShelf('stock')
  const shop = useShelf('shop')
  const plans = useIssuedPlans(id ?? '')
  const [taking, setTaking] = useState(false)
  const { plan, running } = usePlan(job, stock.data?.document, rules)
  if (!job || !id) return null
  const q = evaluation ? quoteOf(job, plan, rules) : null
  const prompts = evaluation ? roadPrompts(evaluation.assembly, job.vehicle, job.brief, rules) : []
  const open = openItems(job, evaluation, (mm) => figureText(mm, 'mm', units), fit?.limits).filter((i) => i.weight === 'needed')
  const inputs = (
    <>
      <Prints id={id} />
      <ClientPanel job={job} id={id} />
      <OpenFiles id={id} />
      <Group title="Again">
        <Button variant="outlined" sx={{ justifySelf: 'start' }} onClick={() => void saveNow().then(() => setTaking(true))}>
          For another vehicle…
        </Button>
        {taking && <ReuseDialog jobId={id} onClose={() => setTaking(false)} />}
      </Group>
      <Group title="Notes">
        <TextInput
          label="For the file"
          multiline
          maxLength={5000}
          value={job.notes}
          onChange={(notes) => editJob((j) => ({ ...j, notes }))}
        />
      </Group>
    </>
  )
  const middle = (
    <Box sx={{ p: 2, height: '100%', overflowY: 'auto', bgcolor: (t) => t.inks.sheet }}>
      <PlanMoved accepted={standingPlan(plans.data ?? [])} />
      <Typography variant="h2" gutterBottom>
        Price and its reasons
      </Typography>
      {evaluation && !q ? (
        <Typography sx={{ color: 'text.secondary' }}>Nothing is made for this job: a question about the vehicle is not priced.</Typography>
      ) : !q || running ? (
        <Typography role="status" sx={{ color: 'text.secondary' }}>
          Working out the price…
        </Typography>
      ) : (
        <PriceTable
          quote={q}
          marginPercent={rules.marginPercent}
          taxPercent={rules.taxPercent}
          currency={shop.data?.document.currency ?? ''}
        />
      )}
      {q && !running && <Against quote={q} readyMadeNote={job.brief.readyMadeNote} />}
      {q && !running && <AfterTheJob job={job} quote={q} />}
      {q && <OtherWays job={job} id={id} />}
      <Typography variant="body2" sx={{ mb: 2.5, color: 'text.secondary', maxWidth: 640 }}>
        Tide Line computes from the figures given and certifies nothing. Limits shown as not assessed are not passed. Follow local codes,
        and have what the law or the risk asks for signed by a licensed engineer before the vehicle goes on the road.
      </Typography>
      <AskLocally prompts={prompts} />
      <StillOpen open={open} wanting={wanting?.says ?? null} />
    </Box>
  )
  return (
    <Workbench
      job={job}
      inputs={inputs}
      middle={middle}
      below={
        <Box sx={{ height: 250 }}>
          <DrawingPane job={job} live={false} low />
        </Box>
      }
    />
  )
}
