import { useJob } from '../../job/jobStore'
import { ActingInputs } from '../ActingInputs'
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
        <ActingInputs brief={job.brief} set={setBrief} />
      </Group>
      <MassLedger job={job} />
    </>
  )
  return <Workbench job={job} inputs={inputs} below={<FeetTable job={job} />} />
}
