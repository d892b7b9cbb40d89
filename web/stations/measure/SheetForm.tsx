import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useMemo } from 'react'
import type { Job } from '../../../core/job/job'
import { findings } from '../../../core/measure/findings'
import { letterOf, type MeasuringSheet, measureOf } from '../../../core/measure/sheets'
import { withLengths } from '../../../core/quantity/figureText'
import { TextInput } from '../../quantity/TextInput'
import { useUnits } from '../../quantity/units'
import { useWho } from '../../shell/who'
import { Group } from '../Group'
import { QuantityRow } from './QuantityRow'

/** The fields of one sheet in the order of their letters, and what its readings say about each other. */
export function SheetForm({ job, sheet }: { job: Job; sheet: MeasuringSheet }) {
  const units = useUnits()
  const { who, setWho } = useWho()
  const found = useMemo(() => findings(job.vehicle, sheet), [job.vehicle, sheet])
  const doubted = new Set(found.filter((f) => f.kind === 'contradiction').map((f) => f.about[0]))
  const go = (id: string) => document.querySelector<HTMLInputElement>(`#measure-${CSS.escape(id)} input`)?.focus()
  return (
    <Group title={sheet.title}>
      <TextInput label="Measured by" value={who} maxLength={80} onChange={setWho} />
      <Box role="status" sx={{ display: 'grid', gap: 1 }}>
        {found.map((f) => (
          <Alert
            key={f.text}
            severity={f.kind === 'contradiction' ? 'error' : 'info'}
            icon={false}
            sx={{ py: 0.25 }}
            action={
              f.kind === 'contradiction' ? <Button onClick={() => go(f.about[0])}>{letterOf(sheet, f.about[0])} again</Button> : undefined
            }
          >
            {withLengths(f.text, units)}
          </Alert>
        ))}
      </Box>
      {sheet.quantities.map((q) => (
        <QuantityRow key={q.id} quantity={q} letter={letterOf(sheet, q.id)} value={measureOf(job.vehicle, q)} doubted={doubted.has(q.id)} />
      ))}
      <Typography variant="caption" sx={{ color: 'text.secondary' }}>
        Every length says its datum. Outside is over everything, inside is clear, centre to centre is from middle to middle.
      </Typography>
    </Group>
  )
}
