import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import useMediaQuery from '@mui/material/useMediaQuery'
import { useEffect } from 'react'
import { useSearchParams } from 'react-router'
import { measuringSheets } from '../../../core/measure/sheets'
import type { Vehicle } from '../../../core/vehicle/vehicle'
import { DrawingPane } from '../../drawing/DrawingPane'
import { editJob, useJob } from '../../job/jobStore'
import { BodiesForm } from '../../vehicle/BodiesForm'
import { OnBoardForm } from '../../vehicle/OnBoardForm'
import { PlacesForm } from '../../vehicle/PlacesForm'
import { SwingsForm } from '../../vehicle/SwingsForm'
import { MountsForm, RatingsForm } from '../../vehicle/VehicleForm'
import { Group } from '../Group'
import { Workbench } from '../Workbench'
import { ClientForm } from './ClientForm'
import { DevicePanel } from './DevicePanel'
import { MeasureAgain } from './MeasureAgain'
import { MeasuringSheetView } from './MeasuringSheetView'
import { useMeasuring } from './measuring'
import { NeededBeforeCutting } from './NeededBeforeCutting'
import { PhotoPanel } from './PhotoPanel'
import { SheetForm } from './SheetForm'
import { SheetList } from './SheetList'
import { ShelfVehicle } from './ShelfVehicle'

/** The vehicle as it really is: sheet by sheet, each figure with how it is known, contradictions said at once. */
export default function MeasureStation() {
  const { job, id } = useJob()
  const [params, setParams] = useSearchParams()
  const small = useMediaQuery('(max-width:760px)')
  const at = params.get('sheet') ?? 'roof'
  const sheet = measuringSheets.find((s) => s.id === at) ?? null
  useEffect(() => () => useMeasuring.getState().take(null), [])
  if (!job) return null
  const change = (next: (v: Vehicle) => Vehicle) => editJob((j) => ({ ...j, vehicle: next(j.vehicle) }))
  const print = (blank: boolean) =>
    `/api/jobs/${id}/measuring-sheet.pdf?${new URLSearchParams({ sheets: sheet?.id ?? 'needed', blank: String(blank) })}`
  const inputs = (
    <>
      <ShelfVehicle job={job} />
      <SheetList job={job} at={sheet ? sheet.id : at} go={(to) => setParams({ sheet: to }, { replace: true })} />
      {sheet && <SheetForm job={job} sheet={sheet} />}
      {at === 'ratings' && (
        <>
          <OnBoardForm vehicle={job.vehicle} onChange={change} />
          <RatingsForm vehicle={job.vehicle} onChange={change} />
        </>
      )}
      {at === 'mounts' && (
        <>
          <MountsForm vehicle={job.vehicle} onChange={change} />
          <PlacesForm vehicle={job.vehicle} onChange={change} />
          <BodiesForm vehicle={job.vehicle} onChange={change} />
          <SwingsForm vehicle={job.vehicle} onChange={change} />
        </>
      )}
      <DevicePanel job={job} />
      <PhotoPanel job={job} id={id ?? ''} />
      <ClientForm id={id ?? ''} />
      <Group title="On paper">
        <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1 }}>
          <Button component="a" variant="outlined" href={print(true)} target="_blank" rel="noopener">
            Blank sheet, PDF
          </Button>
          <Button component="a" variant="outlined" href={print(false)} target="_blank" rel="noopener">
            Filled sheet, PDF
          </Button>
        </Box>
      </Group>
      <NeededBeforeCutting job={job} go={(to) => setParams({ sheet: to }, { replace: true })} />
      <MeasureAgain job={job} go={(to) => setParams({ sheet: to }, { replace: true })} />
    </>
  )
  const middle = sheet ? (
    <Box sx={{ display: 'grid', height: { xs: 235, md: '100%' }, gridTemplateRows: small ? '1fr' : '58fr 42fr' }}>
      <Box sx={{ minHeight: 0, borderBottom: 1, borderColor: 'divider' }}>
        <MeasuringSheetView job={job} sheet={sheet} />
      </Box>
      {!small && (
        <Box sx={{ minHeight: 0 }}>
          <DrawingPane job={job} low />
        </Box>
      )}
    </Box>
  ) : undefined
  return <Workbench job={job} inputs={inputs} middle={middle} stick={sheet !== null} />
}
