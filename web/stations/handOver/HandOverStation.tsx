import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableRow from '@mui/material/TableRow'
import Typography from '@mui/material/Typography'
import { quote } from '../../../core/cost/quote'
import { standingPlan } from '../../../core/issuedPlan/issuedPlan'
import { openItems } from '../../../core/job/openItems'
import { pricedPieces } from '../../../core/job/piecesOf'
import { stationNames } from '../../../core/job/stations'
import { figureText, withLengths } from '../../../core/quantity/figureText'
import { moneyText } from '../../../core/quantity/money'
import { roadPrompts } from '../../../core/road/roadPrompts'
import { useIssuedPlans, useShelf } from '../../api/queries'
import { DrawingPane } from '../../drawing/DrawingPane'
import { FigureValue } from '../../figure/Working'
import { editJob, useJob } from '../../job/jobStore'
import { useResult, useRules } from '../../job/useEvaluation'
import { useFit, useFitWanting } from '../../job/useFit'
import { TextInput } from '../../quantity/TextInput'
import { useUnits } from '../../quantity/units'
import { PlanMoved } from '../cut/PlanMoved'
import { usePlan } from '../cut/usePlan'
import { Group } from '../Group'
import { Workbench } from '../Workbench'
import { AfterTheJob } from './AfterTheJob'
import { ClientPanel } from './ClientPanel'
import { OtherWays } from './OtherWays'

/** Price and its reasons, the prints and files, and what is still open. */
export default function HandOverStation() {
  const { job, id } = useJob()
  const rules = useRules()
  const units = useUnits()
  const evaluation = useResult((s) => s.evaluation)
  const fit = useFit()
  const wanting = useFitWanting()
  const stock = useShelf('stock')
  const plans = useIssuedPlans(id ?? '')
  const { plan, running } = usePlan(job, stock.data?.document, rules)
  if (!job || !id) return null
  const priced = pricedPieces(job, rules)
  const q = evaluation ? quote(priced, plan, job.brief, rules) : null
  const prompts = evaluation ? roadPrompts(evaluation.assembly, job.vehicle, job.brief, rules) : []
  const open = openItems(job, evaluation, (mm) => figureText(mm, 'mm', units), fit?.limits).filter((i) => i.weight === 'needed')
  const against = (label: string, minor: number | null) =>
    minor === null ? null : (
      <Typography variant="body2">
        {minor > 0 ? `${moneyText(minor)} more than ${label}` : `${moneyText(-minor)} less than ${label}`}
      </Typography>
    )
  const file = (href: string, label: string) => (
    <Button
      component="a"
      variant="outlined"
      href={`/api/jobs/${id}/${href}`}
      target={href.endsWith('.pdf') ? '_blank' : undefined}
      rel="noopener"
      sx={{ justifyContent: 'flex-start' }}
    >
      {label}
    </Button>
  )
  const inputs = (
    <>
      <Group title="Prints">
        {file('arrangement.pdf', 'General arrangement, PDF')}
        {file('cut-sheet.pdf', 'Cut sheet, PDF')}
        {file('owner-card.pdf', 'Owner’s card, PDF')}
        {file('hand-over.pdf', 'All that goes with the vehicle, PDF')}
        {file('all.zip', 'Every print and file, one ZIP')}
      </Group>
      <ClientPanel job={job} id={id} />
      <Group title="Open files">
        {file('file.json', 'Job, JSON')}
        {file('cut-list.csv', 'Cut list, CSV')}
        <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(3,1fr)', gap: 1 }}>
          {file('drawing/plan.dxf', 'Plan DXF')}
          {file('drawing/side.dxf', 'Side DXF')}
          {file('drawing/rear.dxf', 'Rear DXF')}
          {file('drawing/plan.svg', 'Plan SVG')}
          {file('model.glb', '3D glTF')}
          {file('rechecks.ics', 'Rechecks iCalendar')}
        </Box>
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
        <Table size="small" aria-label="Price" sx={{ maxWidth: 640 }}>
          <TableBody>
            {q.lines.map((l) => (
              <TableRow key={l.name}>
                <TableCell>{l.name}</TableCell>
                <TableCell sx={{ color: 'text.secondary' }}>{l.detail}</TableCell>
                <TableCell align="right">
                  <FigureValue figure={l.figure} />
                </TableCell>
              </TableRow>
            ))}
            <TableRow>
              <TableCell sx={{ fontWeight: 600 }}>Cost</TableCell>
              <TableCell />
              <TableCell align="right">
                <FigureValue figure={q.cost} />
              </TableCell>
            </TableRow>
            <TableRow>
              <TableCell sx={{ fontWeight: 600, fontSize: 17 }}>Price</TableCell>
              <TableCell sx={{ color: 'text.secondary' }}>with {rules.marginPercent} % margin</TableCell>
              <TableCell align="right" sx={{ fontSize: 17 }}>
                <FigureValue figure={q.price} />
              </TableCell>
            </TableRow>
          </TableBody>
        </Table>
      )}
      {q && !running && (
        <Box sx={{ mt: 1.5, mb: 3 }}>
          {q.price.value === null && (
            <Typography color="error">The price is not known yet. Missing: {q.cost.missing.join(', ')}</Typography>
          )}
          {against('the budget', q.againstBudgetMinor)}
          {against(`a ready-made one${job.brief.readyMadeNote ? ` (${job.brief.readyMadeNote})` : ''}`, q.againstReadyMadeMinor)}
        </Box>
      )}
      {q && !running && <AfterTheJob job={job} quote={q} />}
      {q && <OtherWays job={job} id={id} />}
      <Typography variant="body2" sx={{ mb: 2.5, color: 'text.secondary', maxWidth: 640 }}>
        Tide Line computes from the figures given and certifies nothing. Limits shown as not assessed are not passed. Follow local codes,
        and have what the law or the risk asks for signed by a licensed engineer before the vehicle goes on the road.
      </Typography>
      {prompts.length > 0 && (
        <Box sx={{ mb: 2.5 }}>
          <Typography variant="h2" gutterBottom>
            Ask the local rules
          </Typography>
          <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
            {prompts.map((p) => (
              <li key={p.id}>{withLengths(p.text, units)}</li>
            ))}
          </Box>
        </Box>
      )}
      <Typography variant="h2" gutterBottom>
        Still open
      </Typography>
      {wanting && <Typography sx={{ color: (t) => t.inks.unknown }}>{wanting.says}</Typography>}
      {open.length === 0 && !wanting ? (
        <Typography>Nothing is open at any station.</Typography>
      ) : (
        <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
          {open.map((i) => (
            <li key={i.station + i.text}>
              <b>{stationNames[i.station]}</b>: {i.text}
            </li>
          ))}
        </Box>
      )}
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
