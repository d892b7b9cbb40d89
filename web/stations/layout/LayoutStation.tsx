import Box from '@mui/material/Box'
import type { Job } from '../../../core/job/job'
import { useJob } from '../../job/jobStore'
import { useInHand } from '../../pieces/inHand'
import { PieceForm } from '../../pieces/PieceForm'
import { PieceTree } from '../../pieces/PieceTree'
import { Workbench } from '../Workbench'
import { BarPositions } from './BarPositions'
import { CargoPlaces } from './CargoPlaces'
import { CompareProfiles } from './CompareProfiles'
import { Issues } from './Issues'
import { ShopCannot } from './ShopCannot'

/** Pieces set out and cargo placed: the tree of pieces, and the form of the one in hand made from its family's own fields. */
export default function LayoutStation() {
  const job = useJob((s) => s.job)
  return job && <Workbench job={job} layout inputs={<Inputs job={job} />} />
}

function Inputs({ job }: { job: Job }) {
  const inHand = useInHand(job)
  return (
    <Box>
      <Issues job={job} />
      <PieceTree job={job} />
      {inHand && (
        <Box key={inHand.piece.id}>
          {inHand.design.stations && <BarPositions job={job} inHand={inHand} />}
          <PieceForm inHand={inHand} />
          {inHand.design.profile && <CompareProfiles job={job} inHand={inHand} />}
        </Box>
      )}
      <ShopCannot />
      <CargoPlaces job={job} />
    </Box>
  )
}
