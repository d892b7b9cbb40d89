import ToggleButton from '@mui/material/ToggleButton'
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup'
import { useSearchParams } from 'react-router'
import { useJob } from '../../job/jobStore'
import { ActingInputs } from '../ActingInputs'
import { setBrief } from '../brief/BriefStation'
import { Group } from '../Group'
import { OpenList } from '../OpenList'
import { Workbench } from '../Workbench'
import { Anchors } from './Anchors'
import { FeetTable } from './FeetTable'
import { HeldBy } from './HeldBy'
import { LoadTests } from './LoadTests'
import { LoseOne } from './LoseOne'
import { MassLedger } from './MassLedger'
import { Resting } from './Resting'
import { Straps } from './Straps'
import { Swinging } from './Swinging'

const parts = [
  ['carried', 'Carried'],
  ['straps', 'Straps'],
  ['proof', 'Proof load'],
] as const

/** What the rack, each foot and the vehicle carry, case by case; how it is held down; what a proof load showed. */
export default function LoadsStation() {
  const { job, id } = useJob()
  const [params, setParams] = useSearchParams()
  if (!job) return null
  const part = parts.find(([p]) => p === params.get('part'))?.[0] ?? 'carried'
  const inputs = (
    <>
      <ToggleButtonGroup
        size="small"
        exclusive
        fullWidth
        value={part}
        onChange={(_, to: string | null) => to && setParams({ part: to }, { replace: true })}
        aria-label="Part of the loads"
        sx={{ mb: 2 }}
      >
        {parts.map(([value, label]) => (
          <ToggleButton key={value} value={value} sx={{ py: 0.5, fontSize: 13 }}>
            {label}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      {part === 'carried' && (
        <>
          <OpenList job={job} station="loads" />
          <Group title="What acts on it">
            <ActingInputs brief={job.brief} set={setBrief} />
          </Group>
          <Resting job={job} />
          <HeldBy job={job} />
          <LoseOne job={job} />
          <Swinging />
          <MassLedger job={job} />
        </>
      )}
      {part === 'straps' && (
        <>
          <Straps job={job} />
          <Anchors job={job} />
        </>
      )}
      {part === 'proof' && <LoadTests job={job} id={id ?? ''} />}
    </>
  )
  return <Workbench job={job} loads inputs={inputs} below={<FeetTable />} />
}
