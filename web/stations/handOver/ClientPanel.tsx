import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { type KeptAnswer, keptAnswer, readClientAnswer } from '../../../core/clientAnswer/clientAnswer'
import { cannotTake, standingOf } from '../../../core/job/clientStanding'
import type { Job } from '../../../core/job/job'
import { useView } from '../../drawing/view'
import { editJob } from '../../job/jobStore'
import { FileButton } from '../../quantity/FileButton'
import { Group } from '../Group'

/** The client's page to send, the answer read back, and each word of it until it is settled. */
export function ClientPanel({ job, id }: { job: Job; id: string }) {
  const [broken, setBroken] = useState<string | null>(null)
  const read = async (file: File) => {
    const answer = readClientAnswer(await file.text())
    const fault = answer.ok
      ? cannotTake(job, answer.value)
      : answer.faults
          .slice(0, 3)
          .map((f) => `${f.where}: ${f.expected}`)
          .join('; ')
    setBroken(fault)
    if (answer.ok && !fault) editJob((j) => ({ ...j, clientAnswers: [...j.clientAnswers, keptAnswer(answer.value)] }))
  }
  const link = (href: string, label: string, save: boolean) => (
    <Button
      component="a"
      variant="outlined"
      href={`/api/jobs/${id}/${href}`}
      download={save || undefined}
      target={save ? undefined : '_blank'}
      rel="noopener"
    >
      {label}
    </Button>
  )
  return (
    <Group title="The client">
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        One page with pictures, limits and price; it opens without a network. What is marked and said there comes back as a file.
      </Typography>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1 }}>
        {link('client.html', 'See the page', false)}
        {link('client-page.html', 'Page to send', true)}
      </Box>
      <FileButton named="The client’s answer file" accept=".json,application/json" onFile={(f) => void read(f)}>
        Read the answer
      </FileButton>
      {broken && (
        <Alert severity="error" onClose={() => setBroken(null)}>
          Nothing was taken over. {broken}
        </Alert>
      )}
      <Stands job={job} />
      {[...job.clientAnswers].reverse().map((a) => (
        <Answer key={a.id} answer={a} />
      ))}
    </Group>
  )
}

function Stands({ job }: { job: Job }) {
  const s = standingOf(job)
  if (s.kind === 'silent') return <Typography variant="body2">No answer yet.</Typography>
  const { who, revision } = s.by
  const says = {
    agreed: `${who} agreed to the job as it is now.`,
    'agreed before': `${who} agreed to revision ${revision}. The job has changed since: send the page again.`,
    'not agreed': `${who} has not agreed yet.`,
  }[s.kind]
  return <Alert severity={s.kind === 'agreed' ? 'success' : 'warning'}>{says}</Alert>
}

function Answer({ answer }: { answer: KeptAnswer }) {
  const show = useView((s) => s.show)
  const change = (to: (a: KeptAnswer) => KeptAnswer) =>
    editJob((j) => ({ ...j, clientAnswers: j.clientAnswers.map((a) => (a.id === answer.id ? to(a) : a)) }))
  const settle = (markId: string, settled: boolean) =>
    change((a) => ({ ...a, marks: a.marks.map((m) => (m.id === markId ? { ...m, settled } : m)) }))
  return (
    <Box component="section" aria-label={`Answer of ${answer.who}`} sx={{ borderTop: 1, borderColor: 'divider', pt: 1 }}>
      <Box sx={{ display: 'flex', justifyContent: 'space-between', alignItems: 'baseline' }}>
        <Typography variant="body2">
          <b>{answer.who}</b>, {answer.at.slice(0, 10)}, on revision {answer.revision}: {answer.agrees ? 'agreed' : 'not yet'}
        </Typography>
        <Button size="small" onClick={() => editJob((j) => ({ ...j, clientAnswers: j.clientAnswers.filter((a) => a.id !== answer.id) }))}>
          Take away
        </Button>
      </Box>
      {answer.marks.map((m) => (
        <Box key={m.id} sx={{ display: 'flex', alignItems: 'center', justifyContent: 'space-between', gap: 1 }}>
          <FormControlLabel
            control={<Checkbox checked={m.settled} onChange={(_, on) => settle(m.id, on)} />}
            label={`${m.says}${m.settled ? ', settled' : ''}`}
          />
          <Button size="small" onClick={() => show(m.view)}>
            {m.view}
          </Button>
        </Box>
      ))}
      {answer.note && (
        <FormControlLabel
          control={<Checkbox checked={answer.noteSettled} onChange={(_, noteSettled) => change((a) => ({ ...a, noteSettled }))} />}
          label={`${answer.note}${answer.noteSettled ? ', settled' : ''}`}
        />
      )}
    </Box>
  )
}
