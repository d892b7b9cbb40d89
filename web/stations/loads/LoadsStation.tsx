import FormControlLabel from '@mui/material/FormControlLabel'
import Switch from '@mui/material/Switch'
import { useJob } from '../../job/jobStore'
import { ChoiceInput } from '../../quantity/ChoiceInput'
import { QuantityInput } from '../../quantity/QuantityInput'
import { setBrief } from '../brief/BriefStation'
import { Group } from '../Group'
import { OpenList } from '../OpenList'
import { Workbench } from '../Workbench'
import { FeetTable } from './FeetTable'
import { MassLedger } from './MassLedger'

/** What the rack, each foot and the vehicle carry, case by case. */
export default function LoadsStation() {
  const job = useJob((s) => s.job)
  if (!job) return null
  const inputs = (
    <>
      <OpenList job={job} station="loads" />
      <Group title="What acts on it">
        <ChoiceInput
          label="Roads"
          value={job.brief.road}
          options={[
            { value: 'road', label: 'Road' },
            { value: 'rough track', label: 'Rough track' },
          ]}
          onChange={(road) => setBrief({ road })}
        />
        <QuantityInput
          label="Speed with the load on"
          dimension="speed"
          optional
          min={0}
          max={250}
          value={job.brief.speedKmh}
          onChange={(speedKmh) => setBrief({ speedKmh })}
        />
        <FormControlLabel
          control={<Switch checked={job.brief.someoneStands} onChange={(_, someoneStands) => setBrief({ someoneStands })} />}
          label="Someone stands on it when parked"
        />
      </Group>
      <MassLedger job={job} />
    </>
  )
  return <Workbench job={job} inputs={inputs} below={<FeetTable job={job} />} />
}
