import Box from '@mui/material/Box'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import ToggleButton from '@mui/material/ToggleButton'
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup'
import Typography from '@mui/material/Typography'
import { type Asked, type IntakeId, intakeQuestions, notAsked } from '../../../core/brief/intake'
import { intakeMet } from '../../../core/job/intakeMet'
import type { Job } from '../../../core/job/job'
import { editJob } from '../../job/jobStore'
import { useResult } from '../../job/useEvaluation'
import { TextInput } from '../../quantity/TextInput'

type Answer = NonNullable<Asked[IntakeId]>
const put = (id: IntakeId, answer: Answer | null) =>
  editJob((j) => {
    const { [id]: _, ...rest } = j.brief.asked
    return { ...j, brief: { ...j.brief, asked: answer ? { ...rest, [id]: answer } : rest } }
  })

/** What is asked too late again and again: yes or no, and a yes stays open until it is settled. */
export function IntakeList({ job }: { job: Job }) {
  const assembly = useResult((s) => s.evaluation?.assembly)
  const met = assembly ? intakeMet(job, assembly) : new Set<IntakeId>()
  const left = notAsked(job.brief.asked)
  return (
    <Box component="section" aria-label="Often forgotten" sx={{ mt: 3, maxWidth: 760 }}>
      <Typography variant="h2">Often forgotten</Typography>
      <Typography variant="body2" role="status" sx={{ color: 'text.secondary', mb: 1 }}>
        {left ? `${left} of ${intakeQuestions.length} not asked yet` : 'All asked'}
      </Typography>
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {intakeQuestions.map((q) => (
          <Question key={q.id} question={q} answer={job.brief.asked[q.id] ?? null} met={met.has(q.id)} />
        ))}
      </Box>
    </Box>
  )
}

type QuestionProps = { question: (typeof intakeQuestions)[number]; answer: Answer | null; met: boolean }
function Question({ question: q, answer, met }: QuestionProps) {
  const yes = answer?.answer === 'yes' ? answer : null
  const open = yes && !yes.settled && !met
  return (
    <Box component="li" sx={{ borderTop: 1, borderColor: 'divider', py: 0.75 }}>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', justifyContent: 'space-between' }}>
        <span id={`asks-${q.id}`}>{q.asks}</span>
        <ToggleButtonGroup
          size="small"
          exclusive
          value={answer?.answer ?? null}
          aria-labelledby={`asks-${q.id}`}
          onChange={(_, next: Answer['answer'] | null) => put(q.id, next && { answer: next, note: answer?.note ?? '', settled: false })}
        >
          <ToggleButton value="yes" sx={{ minWidth: 52, minHeight: 40 }}>
            Yes
          </ToggleButton>
          <ToggleButton value="no" sx={{ minWidth: 52, minHeight: 40 }}>
            No
          </ToggleButton>
        </ToggleButtonGroup>
      </Box>
      {yes && (
        <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1fr auto' }, columnGap: 2, alignItems: 'center', mt: 0.5 }}>
          <TextInput label="In the client’s words" value={yes.note} maxLength={300} onChange={(note) => put(q.id, { ...yes, note })} />
          {met ? (
            <Typography variant="body2" sx={{ color: (t) => t.inks.clear }}>
              Answered by the job
            </Typography>
          ) : (
            <FormControlLabel
              control={<Checkbox checked={yes.settled} onChange={(_, settled) => put(q.id, { ...yes, settled })} />}
              label="Settled"
            />
          )}
          {open && (
            <Typography variant="body2" sx={{ color: (t) => t.inks.unknown }}>
              Open until there is {q.yes}.
            </Typography>
          )}
        </Box>
      )}
    </Box>
  )
}
