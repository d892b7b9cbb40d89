import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { CLIENT_TOLERANCE_MM, type ClientAnswers, readClientAnswers, withClientReadings } from '../../../core/exchange/clientAnswers'
import { formatLength } from '../../../core/quantity/formatQuantity'
import type { Reading } from '../../../core/vehicle/vehicle'
import { call } from '../../api/client'
import { editJob } from '../../job/jobStore'
import { FileButton } from '../../quantity/FileButton'
import { useUnits } from '../../quantity/units'
import { Group } from '../Group'

type Answers = { answers: ClientAnswers; readings: { id: string; reading: Reading }[] }
const counted = (n: number, what: string) => `${n} ${what}${n === 1 ? '' : 's'}`
const bytesOf = (base64: string) => Uint8Array.from(atob(base64), (c) => c.charCodeAt(0))

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
      for (const p of answers.photos)
        await call(`/jobs/${id}/photos?${new URLSearchParams({ name: p.name })}`, {
          method: 'POST',
          bytes: new Blob([bytesOf(p.base64)], { type: p.type }),
        })
      editJob((j) => ({
        ...j,
        vehicle: withClientReadings(j.vehicle, readings),
        notes: answers.note ? `${j.notes}${j.notes ? '\n' : ''}${answers.who || 'Client'}: ${answers.note}`.slice(0, 5000) : j.notes,
      }))
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
