import Alert from '@mui/material/Alert'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import type { Job } from '../../../core/job/job'
import { onVehicle } from '../../../core/reuse/onVehicle'
import { useShelf } from '../../api/queries'
import { editJob } from '../../job/jobStore'
import { useRules } from '../../job/useEvaluation'
import { ChoiceInput } from '../../quantity/ChoiceInput'
import { Group } from '../Group'

/** Where the job's figures began: a vehicle of the shelf and its revision; says when the shelf has a newer one. */
export function ShelfVehicle({ job }: { job: Job }) {
  const shelf = useShelf('vehicles')
  const rules = useRules()
  const [chosen, setChosen] = useState<string | null>(null)
  const vehicles = shelf.data?.document ?? []
  const newer = vehicles.find((v) => v.id === job.vehicle.id && v.revision > job.vehicle.revision)
  const take = (id: string) => {
    const vehicle = vehicles.find((v) => v.id === id)
    if (!vehicle) return
    // the pieces stay; each finds its place on the other vehicle, or says what it lacks there
    editJob((j) => onVehicle(j, vehicle, rules))
    setChosen(null)
  }
  return (
    <Group title="Vehicle">
      <ChoiceInput
        label="Take the figures of"
        value={chosen}
        empty={`${job.vehicle.name}, revision ${job.vehicle.revision}`}
        options={vehicles.map((v) => ({ value: v.id, label: `${v.name}, revision ${v.revision}` }))}
        onChange={setChosen}
      />
      {chosen && (
        <Alert severity="info" icon={false} action={<Button onClick={() => take(chosen)}>Take it</Button>}>
          Replaces the vehicle's figures in this job. Undo brings them back.
        </Alert>
      )}
      {job.like && (
        <Typography variant="body2">
          Taken over from “{job.like.title}”, built on {job.like.vehicle}.
        </Typography>
      )}
      {newer && !chosen && (
        <Alert severity="warning" icon={false} action={<Button onClick={() => take(newer.id)}>Take revision {newer.revision}</Button>}>
          The shelf has revision {newer.revision} of this vehicle; this job was measured against revision {job.vehicle.revision}.
        </Alert>
      )}
    </Group>
  )
}
