import ToggleButton from '@mui/material/ToggleButton'
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup'
import { useEffect } from 'react'
import { useSearchParams } from 'react-router'
import { useView } from '../../drawing/view'
import { useJob } from '../../job/jobStore'
import { OpenList } from '../OpenList'
import { Workbench } from '../Workbench'
import { ComesApart } from './ComesApart'
import { GapList } from './GapList'
import { Heights } from './Heights'
import { InsideInputs } from './InsideInputs'
import { InsideView } from './InsideView'
import { MotionList } from './MotionList'
import { ReachList } from './ReachList'
import { Wiring } from './Wiring'

/** What touches, what swings and slides: found on the solids before metal is cut. */
export default function FitStation() {
  const { job } = useJob()
  useEffect(
    () => () => {
      useView.getState().move(null)
      useView.getState().lookAt(null)
    },
    [],
  )
  const [params, setParams] = useSearchParams()
  if (!job) return null
  const inside = params.get('part') === 'inside'
  const choice = (
    <ToggleButtonGroup
      exclusive
      size="small"
      value={inside ? 'inside' : 'outside'}
      onChange={(_, to: string | null) => to && setParams(to === 'inside' ? { part: to } : {}, { replace: true })}
      aria-label="Where it is looked at"
      sx={{ mb: 1.5 }}
    >
      <ToggleButton value="outside">On the vehicle</ToggleButton>
      <ToggleButton value="inside">Inside it</ToggleButton>
    </ToggleButtonGroup>
  )
  if (inside)
    return (
      <Workbench
        job={job}
        inputs={
          <>
            {choice}
            <InsideInputs inside={job.inside} />
          </>
        }
        middle={<InsideView inside={job.inside} />}
      />
    )
  const inputs = (
    <>
      {choice}
      <OpenList job={job} station="fit" />
      <MotionList job={job} />
      <GapList job={job} />
      <Heights />
      <ReachList job={job} />
      <ComesApart job={job} />
      <Wiring job={job} />
    </>
  )
  return <Workbench job={job} fit stick inputs={inputs} />
}
