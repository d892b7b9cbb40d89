import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { Group } from '../Group'

/** One sheet or file of the job, made by the server as it is asked for. */
function FileLink({ id, href, label }: { id: string; href: string; label: string }) {
  return (
    <Button
      component="a"
      variant="outlined"
      href={`/api/jobs/${id}/${href}`}
      target={href.endsWith('.pdf') ? '_blank' : undefined}
      rel="noopener"
      sx={{ justifyContent: 'flex-start' }}
    >
      {label}
    </Button>
  )
}

const PRINTS = [
  ['arrangement.pdf', 'General arrangement, PDF'],
  ['cut-sheet.pdf', 'Cut sheet, PDF'],
  ['labels.pdf', 'Labels for parts and offcuts, PDF'],
  ['owner-card.pdf', 'Owner’s card, PDF'],
  ['hand-over.pdf', 'All that goes with the vehicle, PDF'],
  ['all.zip', 'Every print and file, one ZIP'],
] as const
const LISTS = [
  ['file.json', 'Job, JSON'],
  ['cut-list.csv', 'Cut list, CSV'],
] as const
const SMALL = [
  ['drawing/plan.dxf', 'Plan DXF'],
  ['drawing/side.dxf', 'Side DXF'],
  ['drawing/rear.dxf', 'Rear DXF'],
  ['drawing/plan.svg', 'Plan SVG'],
  ['model.glb', '3D glTF'],
  ['rechecks.ics', 'Rechecks iCalendar'],
] as const

export const Prints = ({ id }: { id: string }) => (
  <Group title="Prints">
    {PRINTS.map(([href, label]) => (
      <FileLink key={href} id={id} href={href} label={label} />
    ))}
  </Group>
)

export const OpenFiles = ({ id }: { id: string }) => (
  <Group title="Open files">
    {LISTS.map(([href, label]) => (
      <FileLink key={href} id={id} href={href} label={label} />
    ))}
    <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(3,1fr)', gap: 1 }}>
      {SMALL.map(([href, label]) => (
        <FileLink key={href} id={id} href={href} label={label} />
      ))}
    </Box>
  </Group>
)
