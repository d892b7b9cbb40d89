import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import Typography from '@mui/material/Typography'
import { useMemo } from 'react'
import { profileOf } from '../../../core/catalogue/profiles'
import { bentPartSheet } from '../../../core/drawing/bentPart'
import { templateDrawing } from '../../../core/drawing/templateDrawing'
import type { Job } from '../../../core/job/job'
import { madeAssembly } from '../../../core/job/piecesOf'
import { withLengths } from '../../../core/quantity/figureText'
import { formatLength } from '../../../core/quantity/formatQuantity'
import { endCutText } from '../../../core/tube/endCuts'
import { type SharedTemplate, templatesOf } from '../../../core/tube/template'
import { type TubePart, tubeWork } from '../../../core/tube/tubeParts'
import { cutLengthFigure, markFigure, pullFigure } from '../../../core/workshop/bendFigures'
import { bendSheet, rotateText } from '../../../core/workshop/bendSheet'
import { cannotDo } from '../../../core/workshop/cannotDo'
import type { Workshop } from '../../../core/workshop/workshop'
import { useShelf } from '../../api/queries'
import { SheetView } from '../../drawing/SheetView'
import { FigureValue } from '../../figure/Working'
import { useRules } from '../../job/useEvaluation'
import { useUnits } from '../../quantity/units'
import { FIGURES } from '../../theme/theme'
import { TrialBend } from './TrialBend'

const still = { handles: [], marks: new Map(), selected: null, onSelect: () => undefined, actions: null }

/** What is bent and saddled in this job: bend sheets, templates, and what this shop cannot do of it. */
export function TubeWork({ job, jobId }: { job: Job; jobId: string }) {
  const rules = useRules()
  const units = useUnits()
  const shop = useShelf('shop')
  const assembly = useMemo(() => madeAssembly(job, rules), [job, rules])
  const work = useMemo(() => tubeWork(assembly), [assembly])
  const templates = useMemo(() => templateDrawing(assembly), [assembly])
  const workshop = shop.data?.document.workshop
  const lacks = useMemo(() => (workshop ? cannotDo(assembly, workshop, rules) : []), [assembly, workshop, rules])
  if (shop.error) return <Alert severity="error">What the shop can do could not be loaded. {shop.error.message}</Alert>
  if (!workshop) return <Typography>Fetching what the shop can do…</Typography>
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 2.5 }}>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'baseline', flexWrap: 'wrap' }}>
        <Typography variant="h2">Bends and saddles</Typography>
        {work.length > 0 && (
          <>
            <Button component="a" href={`/api/jobs/${jobId}/tube.pdf`} target="_blank" variant="outlined">
              Print bend sheets and templates
            </Button>
            <Button component="a" href={`/api/jobs/${jobId}/templates.dxf`}>
              Templates as DXF
            </Button>
            <Button component="a" href={`/api/jobs/${jobId}/templates.svg`}>
              as SVG
            </Button>
          </>
        )}
      </Box>
      {lacks.map((l) => (
        <Alert key={l.says} severity="warning">
          <strong>{l.marks.join(', ')}</strong>: {withLengths(l.says, units)}. What would do: {withLengths(l.would, units)}.
        </Alert>
      ))}
      {!work.length && (
        <Typography sx={{ color: 'text.secondary' }}>
          Nothing in this job is bent or saddled: a hoop basket or a half guard, added at Layout, has both.
        </Typography>
      )}
      {work
        .filter(({ part }) => part.member.path.length > 2)
        .map(({ part, marks }) => (
          <Bent key={part.member.id} part={part} marks={marks} workshop={workshop} />
        ))}
      <Saddled work={work} templates={templatesOf(assembly)} />
      {templates.entities.length > 1 && (
        <section>
          <Typography variant="h2" gutterBottom>
            Templates
          </Typography>
          <Typography variant="body2" sx={{ color: 'text.secondary', maxWidth: 720 }}>
            Wrap each round its tube, long side square to it, zero line to zero line, and scribe along the curve. Printed at full size;
            check the line on the sheet with a steel rule first.
          </Typography>
          <Box sx={{ height: 420, maxWidth: 720 }}>
            <SheetView sheet={templates} {...still} />
          </Box>
        </section>
      )}
    </Box>
  )
}

function Bent({ part, marks, workshop }: { part: TubePart; marks: string[]; workshop: Workshop }) {
  const units = useUnits()
  const mm = (v: number) => formatLength(v, units)
  const sheet = bendSheet(part, workshop)
  return (
    <Box component="section" aria-label={marks.join(', ')} sx={{ borderTop: 2, borderColor: 'divider', pt: 1 }}>
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'baseline', flexWrap: 'wrap' }}>
        <Typography variant="h3" sx={{ fontSize: 22 }}>
          {marks.join(', ')}
        </Typography>
        <Typography sx={{ fontFamily: FIGURES, fontSize: 22, fontWeight: 600 }}>
          {part.lacks ? 'no cut length yet' : <FigureValue figure={cutLengthFigure(part)} />}
        </Typography>
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          {part.member.name}, {marks.length} off, {profileOf(part.member.profileId).name}
        </Typography>
      </Box>
      {part.lacks && <Alert severity="error">Do not cut: {part.lacks}.</Alert>}
      {sheet && (
        <>
          <Box sx={{ overflowX: 'auto' }}>
            <Table size="small" aria-label={`Bends of ${marks.join(', ')}`} sx={{ maxWidth: 820, my: 1, '& td': { whiteSpace: 'nowrap' } }}>
              <TableHead>
                <TableRow>
                  <TableCell>Bend</TableCell>
                  <TableCell align="right">Mark</TableCell>
                  <TableCell align="right">Ends at</TableCell>
                  <TableCell align="right">Turn</TableCell>
                  <TableCell align="right">Pull to</TableCell>
                  <TableCell>Rotate first</TableCell>
                  <TableCell align="right">1° off moves the far end</TableCell>
                </TableRow>
              </TableHead>
              <TableBody>
                {sheet.steps.map((s) => (
                  <TableRow key={s.number}>
                    <TableCell sx={{ fontWeight: 600 }}>{s.number}</TableCell>
                    <TableCell align="right">
                      <FigureValue figure={markFigure(marks[0] ?? '', sheet, s.number)} />
                    </TableCell>
                    <TableCell align="right">{mm(s.endMarkMm)}</TableCell>
                    <TableCell align="right">{s.angleDeg.toFixed(1)}°</TableCell>
                    <TableCell align="right">
                      {s.pullToDeg === null ? 'trial bend first' : <FigureValue figure={pullFigure(sheet, s.number)} />}
                    </TableCell>
                    <TableCell>{rotateText(s.rotationDeg)}</TableCell>
                    <TableCell align="right">{mm(s.perDegreeMm)}</TableCell>
                  </TableRow>
                ))}
              </TableBody>
            </Table>
          </Box>
          <Typography variant="body2">
            Marks run from the {sheet.from} end; the bend begins at the mark. The bends gain {mm(sheet.gainMm)} in all. Order:{' '}
            {withLengths(sheet.order, units)}.
          </Typography>
          <Box sx={{ height: 190, maxWidth: 820 }}>
            <SheetView sheet={bentPartSheet(part)} {...still} />
          </Box>
          <TrialBend dieId={sheet.die?.id ?? null} radiusMm={sheet.radiusMm} />
        </>
      )}
    </Box>
  )
}

/** Every saddled tube: its length, the template at each end, how the second is turned from the first. */
function Saddled({ work, templates }: { work: { part: TubePart; marks: string[] }[]; templates: SharedTemplate[] }) {
  const units = useUnits()
  const mm = (v: number) => formatLength(v, units)
  const list = work.filter(({ part }) => part.ends.some((e) => e.kind === 'cope'))
  if (!list.length) return null
  const end = (marks: string[], part: TubePart, which: 0 | 1) => {
    const t = templates.find((x) => x.cuts.some((c) => c.mark === marks[0] && c.which === which))
    return `${endCutText(part.ends[which])}${t ? `, ${t.id}, ${mm(t.template.depthMm)} deep` : ''}`
  }
  return (
    <section>
      <Typography variant="h2" gutterBottom>
        Saddled tubes
      </Typography>
      <Box sx={{ overflowX: 'auto' }}>
        <Table size="small" aria-label="Saddled tubes">
          <TableHead>
            <TableRow>
              <TableCell>Mark</TableCell>
              <TableCell>Part</TableCell>
              <TableCell align="right">Length</TableCell>
              <TableCell>First end</TableCell>
              <TableCell>Second end</TableCell>
              <TableCell align="right">Turned</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {list.map(({ part, marks }) => (
              <TableRow key={part.member.id}>
                <TableCell sx={{ fontWeight: 600 }}>{marks.join(', ')}</TableCell>
                <TableCell>{part.member.name}</TableCell>
                <TableCell align="right">{part.lacks ? 'not yet' : mm(part.lengthMm)}</TableCell>
                <TableCell>{end(marks, part, 0)}</TableCell>
                <TableCell>{end(marks, part, 1)}</TableCell>
                <TableCell align="right">{part.turnDeg === null ? '' : `${part.turnDeg.toFixed(1)}°`}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </Box>
      <Typography variant="caption" sx={{ color: 'text.secondary' }}>
        Turned: the second end’s zero line from the first’s, clockwise positive, as seen from the first end.
      </Typography>
    </section>
  )
}
