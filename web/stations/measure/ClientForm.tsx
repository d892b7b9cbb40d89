import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { CLIENT_TOLERANCE_MM, type ClientAnswers, readClientAnswers, withClientReadings } from '../../../core/exchange/clientAnswers'
import { MOST_NOTES } from '../../../core/job/job'
import { formatLength } from '../../../core/quantity/formatQuantity'
import type { Reading } from '../../../core/vehicle/vehicle'
import { call } from '../../api/client'
import { editJob, useJob } from '../../job/jobStore'
import { FileButton } from '../../quantity/FileButton'
import { useUnits } from '../../quantity/units'
import { Group } from '../Group'

type Answers = { answers: ClientAnswers; readings: { id: string; reading: Reading }[] }
const counted = (n: number, what: string) => `${n} ${what}${n === 1 ? '' : 's'}`

/** For a vehicle that is elsewhere: one page to send to the client, and his answers read back in. */
export function ClientForm({ id }: { id: string }) {
  const client = useQueryClient()
  const units = useUnits()
  const [read, setRead] = useState<Answers | null>(null)
  const [broken, setBroken] = useState<string[] | null>(null)
  const [done, setDone] = useState('')
  const open = async (file: File) => {
    setDone('')
    const result = readClientAnswers(await file.text())
    setRead(result.ok ? result.value : null)
    setBroken(result.ok ? null : result.faults.slice(0, 5).map((f) => `${f.where}: ${f.expected}`))
  }
  const enter = useMutation({
    mutationFn: async ({ answers, readings }: Answers) => {
      const notes = (before: string) =>
        answers.note ? `${before}${before ? '\n' : ''}${answers.who || 'Client'}: ${answers.note}` : before
      // all of it or nothing: what the job cannot take is found before the photographs are kept
      const length = notes(useJob.getState().job?.notes ?? '').length
      if (length > MOST_NOTES)
        throw new Error(`The job’s notes would be ${length - MOST_NOTES} signs too long with his: shorten them first.`)
      if (answers.photos.length) await call(`/jobs/${id}/photos/several`, { method: 'POST', json: { photos: answers.photos } })
      editJob((j) => ({ ...j, vehicle: withClientReadings(j.vehicle, readings), notes: notes(j.notes) }))
    },
    onSuccess: (_, { readings, answers }) => {
      void client.invalidateQueries({ queryKey: ['photos', id] })
      setRead(null)
      setDone(
        `${counted(readings.length, 'figure')} and ${counted(answers.photos.length, 'photograph')} entered. Undo takes the figures out again.`,
      )
    },
  })
  return (
    <Group title="A client far away">
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        One page for his phone, with the drawings; it works without a network. He sends the answer file back.
      </Typography>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1 }}>
        <Button component="a" variant="outlined" href={`/api/jobs/${id}/client-form.html`} download>
          Form to send
        </Button>
        <FileButton named="Client's answer file" accept=".json,application/json" onFile={(f) => void open(f)}>
          Read his answers
        </FileButton>
      </Box>
      {broken && (
        <Alert severity="error" onClose={() => setBroken(null)}>
          Nothing was entered. {broken.join('; ')}
        </Alert>
      )}
      {read && (
        <Alert
          severity="info"
          icon={false}
          action={
            <Button onClick={() => enter.mutate(read)} disabled={enter.isPending}>
              {enter.isPending ? 'Entering…' : 'Enter them'}
            </Button>
          }
        >
          {counted(read.readings.length, 'figure')} and {counted(read.answers.photos.length, 'photograph')} from{' '}
          {read.answers.who || 'the client'}; each figure ± {formatLength(CLIENT_TOLERANCE_MM, units)}.
        </Alert>
      )}
      {enter.error && <Alert severity="error">{enter.error.message}</Alert>}
      {done && <Alert severity="success">{done}</Alert>}
    </Group>
  )
}
