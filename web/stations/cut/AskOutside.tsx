import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import Typography from '@mui/material/Typography'
import { useMutation } from '@tanstack/react-query'
import {
  type Asked,
  type OutsideAnswer,
  OutsideAnswerSchema,
  type OutsideKind,
  outsideKinds,
  outsideNames,
} from '../../../core/outside/answer'
import { answeredDays, answerState, withAnswer } from '../../../core/outside/standing'
import { amountText } from '../../../core/purchase/amount'
import { withLengths } from '../../../core/quantity/figureText'
import { moneyText } from '../../../core/quantity/money'
import { call } from '../../api/client'
import { editJob } from '../../job/jobStore'
import { useUnits } from '../../quantity/units'

const what: Record<OutsideKind, string> = {
  merchant: 'sections and sheet of this job',
  coater: 'what is powder coated, as one lot',
  laser: 'flat parts, cut instead of at our own table',
}

/** What others would take for metal, coat and cutting, and how long; used, it stands in the quote and in the days by name. */
export function AskOutside({ asked, answers }: { asked: Record<OutsideKind, Asked | null>; answers: OutsideAnswer[] }) {
  return (
    <Box sx={{ display: 'grid', gap: 2, maxWidth: 860 }}>
      <Alert severity="info">
        Simulated: stand-ins of our own answer here, by made-up prices. Nobody outside is asked, and nothing is ordered.
      </Alert>
      {outsideKinds.map((kind) => (
        <Service key={kind} kind={kind} asked={asked[kind]} answer={answers.find((a) => a.kind === kind)} />
      ))}
    </Box>
  )
}

type ServiceProps = { kind: OutsideKind; asked: Asked | null; answer: OutsideAnswer | undefined }
function Service({ kind, asked, answer }: ServiceProps) {
  const ask = useMutation({
    mutationFn: async (question: Asked) => OutsideAnswerSchema.parse(await call('/outside', { method: 'POST', json: question })),
    onSuccess: (a) => editJob((j) => ({ ...j, outside: withAnswer(j.outside, a) })),
  })
  const name = outsideNames[kind]
  const state = answer && answerState(answer, asked)
  const put = (to: OutsideAnswer | null) =>
    editJob((j) => ({ ...j, outside: to ? withAnswer(j.outside, to) : j.outside.filter((a) => a.kind !== kind) }))
  return (
    <Box component="section" aria-label={name} sx={{ borderTop: 1, borderColor: 'divider', pt: 1 }}>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
        <Typography variant="h2">{name}</Typography>
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          {asked ? what[kind] : 'nothing in this job for them'}
        </Typography>
        {asked && (
          <Button
            variant="outlined"
            disabled={ask.isPending}
            onClick={() => ask.mutate(asked)}
            aria-label={`Ask the ${name.toLowerCase()}`}
          >
            {ask.isPending ? 'Asking…' : answer ? 'Ask again' : 'Ask'}
          </Button>
        )}
        {answer && state === 'read' && (
          <Button variant="contained" onClick={() => put({ ...answer, used: true })} aria-label={`Use what the ${name.toLowerCase()} said`}>
            Use it
          </Button>
        )}
        {answer && state !== 'read' && (
          <Button
            onClick={() => put(state === 'old' ? null : { ...answer, used: false })}
            aria-label={`Do without the ${name.toLowerCase()}`}
          >
            Do without
          </Button>
        )}
      </Box>
      {ask.error && <Alert severity="error">{ask.error.message}</Alert>}
      {answer && state === 'old' && (
        <Alert severity="warning">Asked on {answer.on} for another design: it counts nowhere. Ask again, or do without.</Alert>
      )}
      {answer && state !== 'old' && <Answered answer={answer} used={state === 'used'} />}
    </Box>
  )
}

function Answered({ answer, used }: { answer: OutsideAnswer; used: boolean }) {
  const units = useUnits()
  const days = answeredDays(answer)
  const minor = answer.answers.some((a) => a.minor === null) ? null : answer.answers.reduce((s, a) => s + (a.minor ?? 0), 0)
  return (
    <>
      <Table size="small" aria-label={`What the ${outsideNames[answer.kind].toLowerCase()} said`}>
        <TableHead>
          <TableRow>
            <TableCell>What</TableCell>
            <TableCell align="right">How much</TableCell>
            <TableCell align="right">Days</TableCell>
            <TableCell align="right">Price</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {answer.lines.map((l) => {
            const said = answer.answers.find((a) => a.key === l.key)
            return (
              <TableRow key={l.key}>
                <TableCell>
                  {withLengths(l.name, units)}
                  {said?.faults.map((f) => (
                    <Typography key={f} variant="body2" sx={{ color: (t) => t.inks.signal, fontWeight: 600 }}>
                      {withLengths(f, units)}
                    </Typography>
                  ))}
                </TableCell>
                <TableCell align="right">{amountText(l.quantity, l.unit, units)}</TableCell>
                <TableCell align="right">{said?.days ?? '—'}</TableCell>
                <TableCell align="right">{said?.minor == null ? 'no price' : moneyText(said.minor)}</TableCell>
              </TableRow>
            )
          })}
        </TableBody>
      </Table>
      <Typography variant="body2" role="status" sx={{ mt: 0.5 }}>
        Simulated answer of {answer.on}: {minor === null ? 'no price for all of it' : moneyText(minor)}
        {days === null ? '' : `, ${days} days`}
        {used ? '; counts in the price and in the days.' : '; counts nowhere until it is used.'}
        {used && minor === null ? ' While a line has no price, the job has none.' : ''}
      </Typography>
    </>
  )
}
