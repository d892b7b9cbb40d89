import Alert from '@mui/material/Alert'
import Button from '@mui/material/Button'
import { useState } from 'react'
import { familyOf } from '../../../core/families/all'
import { useShelf } from '../../api/queries'
import { editJob, useJob } from '../../job/jobStore'
import { ChoiceInput } from '../../quantity/ChoiceInput'
import { VehicleForm } from '../../vehicle/VehicleForm'
import { Group } from '../Group'
import { OpenList } from '../OpenList'
import { Workbench } from '../Workbench'

/** The job's own copy of the vehicle: picked from the shelf, then measured. */
export default function MeasureStation() {
  const job = useJob((s) => s.job)
  const shelf = useShelf('vehicles')
  const [chosen, setChosen] = useState<string | null>(null)
  if (!job) return null
  const pick = () => {
    const vehicle = shelf.data?.document.find((v) => v.id === chosen)
    if (!vehicle) return
    editJob((j) => ({
      ...j,
      vehicle,
      design: {
        ...j.design,
        params: { ...j.design.params, mountId: vehicle.mounts[0]?.id ?? '', barXMm: familyOf(j.design).start(vehicle, j.brief).barXMm },
      },
    }))
    setChosen(null)
  }
  const inputs = (
    <>
      <Group title="Vehicle from the shelf">
        <ChoiceInput
          label="Take the figures of"
          value={chosen}
          empty={job.vehicle.name}
          options={(shelf.data?.document ?? []).map((v) => ({ value: v.id, label: v.name }))}
          onChange={setChosen}
        />
        {chosen && (
          <Alert severity="info" icon={false} action={<Button onClick={pick}>Take it</Button>}>
            Replaces the vehicle's figures in this job and sets the bars out anew. Undo brings them back.
          </Alert>
        )}
      </Group>
      <OpenList job={job} station="measure" />
      <VehicleForm vehicle={job.vehicle} onChange={(change) => editJob((j) => ({ ...j, vehicle: change(j.vehicle) }))} />
    </>
  )
  return <Workbench job={job} inputs={inputs} />
}
