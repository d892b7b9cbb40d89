import { useEffect } from 'react'
import { useView } from '../../drawing/view'
import { useJob } from '../../job/jobStore'
import { OpenList } from '../OpenList'
import { Workbench } from '../Workbench'
import { ComesApart } from './ComesApart'
import { GapList } from './GapList'
import { MotionList } from './MotionList'
import { Passages } from './Passages'

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
  if (!job) return null
  const inputs = (
    <>
      <OpenList job={job} station="fit" />
      <MotionList job={job} />
      <GapList job={job} />
      <Passages job={job} />
      <ComesApart job={job} />
    </>
  )
  return <Workbench job={job} fit stick inputs={inputs} />
}
