import Box from '@mui/material/Box'
import { useJob } from '../../job/jobStore'
import { Workbench } from '../Workbench'
import { BarPositions } from './BarPositions'
import { CargoPlaces } from './CargoPlaces'
import { Clearances } from './Clearances'
import { CompareProfiles } from './CompareProfiles'
import { Issues } from './Issues'
import { RackForm } from './RackForm'

/** Bars set out and cargo placed: the form beside the drawing, made from the family's own fields. */
export default function LayoutStation() {
  const job = useJob((s) => s.job)
  if (!job) return null
  return (
    <Workbench
      job={job}
      inputs={
        <Box>
          <Issues job={job} />
          <BarPositions job={job} />
          <RackForm job={job} />
          <CompareProfiles job={job} />
          <Clearances job={job} />
          <CargoPlaces job={job} />
        </Box>
      }
    />
  )
}
