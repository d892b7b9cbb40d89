import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import type { Job } from '../../../core/job/job'
import { limitKey } from '../../../core/limits/limit'
import { pieceName } from '../../../core/pieces/piece'
import type { Captive } from '../../../core/reach/captives'
import { whyNot } from '../../../core/reach/reachLimits'
import type { BoltReach } from '../../../core/reach/takeApart'
import type { Welded } from '../../../core/reach/welded'
import { reachId } from '../../drawing/useFitShown'
import { useView } from '../../drawing/view'
import { useFit } from '../../job/useFit'
import { Reliefs } from '../../limits/Reliefs'
import { type LimitState, stateMarks } from '../../limits/states'
import { Group } from '../Group'
import { PressRow } from './PressRow'

type Row = { id: string; pieceId: string | null; name: string; says: string; mark: LimitState | null; more: number }

const namesOf = (by: { name: string }[]): string => [...new Set(by.map((b) => b.name))].join(' and ')

function boltRow(b: BoltReach): Omit<Row, 'more'> {
  const by = namesOf(b.by)
  const says = {
    fitted: '',
    opened: `with ${by.toLowerCase()} open`,
    swung: `with ${by.toLowerCase()} swung aside on one of its bolts, the others out`,
    off: b.by.length ? `only before ${by} goes on` : 'only once more is off',
    bench: `only on the bench, off the vehicle${by ? `, before ${by} goes on` : ''}`,
    never: `no tool gets there${by ? `: ${by} is in the way` : ''}`,
    unknown: `not assessed: ${by}`,
  }[b.when]
  return { id: b.id, pieceId: b.pieceId, name: b.name, says, mark: b.when === 'never' ? 'over' : b.when === 'unknown' ? 'unknown' : null }
}
const weldRow = (w: Welded): Omit<Row, 'more'> => ({
  id: w.id,
  pieceId: w.pieceId,
  name: w.name,
  says:
    w.when === 'unknown'
      ? 'not assessed: where its sides are is not known'
      : w.when === 'before'
        ? `welded out before ${namesOf(w.by)} is tacked on`
        : `a torch gets to ${w.reached} of its ${w.sides} sides: ${whyNot(w)}`,
  mark: w.when === 'before' ? null : w.when === 'unknown' ? 'unknown' : 'over',
})

const captiveRow = (c: Captive): Omit<Row, 'more'> => ({
  id: c.id,
  pieceId: c.pieceId,
  name: `${c.nuts} nuts in the slots of ${c.name}`,
  says: `slid in before ${namesOf(c.before)} goes on`,
  mark: null,
})

/** Left and right, and one after another alike, as one row. */
function together(rows: Omit<Row, 'more'>[]): Row[] {
  const plain = (text: string) => text.replace(/ [A-Z0-9-]+\b/g, '')
  const seen = new Map<string, Row>()
  for (const r of rows) {
    const key = `${r.pieceId} ${plain(r.name)} ${plain(r.says)}`
    const row = seen.get(key)
    if (row) row.more++
    else seen.set(key, { ...r, more: 0 })
  }
  const rank = { over: 0, unknown: 1, near: 2, clear: 2 }
  return [...seen.values()].sort((p, q) => rank[p.mark ?? 'clear'] - rank[q.mark ?? 'clear'])
}

/** What tools and torch get to, and when: all that is not simply reached with everything in its place. Pressing one shows it. */
export function ReachList({ job }: { job: Job }) {
  const fit = useFit()
  const shown = useView((s) => s.gapId)
  const lookAt = useView((s) => s.lookAt)
  if (!fit) return null
  if (!fit.apart)
    return (
      <Group title="Tools get there">
        <Typography role="status" variant="body2" sx={{ color: 'text.secondary' }}>
          Trying socket, spanner and torch…
        </Typography>
      </Group>
    )
  const { bolts, welds, captives } = fit.apart
  if (!bolts.length && !welds.length) return null
  const rows = together([
    ...bolts.filter((b) => b.when !== 'fitted').map(boltRow),
    ...welds.filter((w) => w.when !== 'tacked').map(weldRow),
    ...captives.map(captiveRow),
  ])
  const counts = [
    bolts.length ? `${bolts.reduce((n, b) => n + b.count, 0)} bolts` : '',
    welds.length ? `${welds.length} welds` : '',
  ].filter(Boolean)
  return (
    <Group title="Tools get there">
      <Typography variant="body2">
        {counts.join(' and ')} tried with socket, spanner and torch.{' '}
        {rows.length ? 'All the others are reached with everything in its place:' : 'All are reached with everything in its place.'}
      </Typography>
      {rows.length > 0 && (
        <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
          {rows.map((r) => (
            <ReachRow key={r.id} row={r} job={job} open={shown === reachId(r.id)} toggle={(open) => lookAt(open ? reachId(r.id) : null)} />
          ))}
        </Box>
      )}
      <Typography variant="caption" sx={{ color: 'text.secondary' }}>
        Behind the vehicle’s own sheet, and at clamps whose bolts are their maker’s, nobody looked: try those with your own hand. How large
        the tools are stands in the shop rules, at Reach.
      </Typography>
    </Group>
  )
}

/** Left and right speak with one limit: the row that has it offers what would relieve it. */
function ReachRow({ row, job, open, toggle }: { row: Row; job: Job; open: boolean; toggle: (open: boolean) => void }) {
  const limit = useFit()?.limits.find((l) => l.ref === row.id && l.state === 'over')
  const piece = job.pieces.length > 1 ? job.pieces.find((p) => p.id === row.pieceId) : undefined
  return (
    <PressRow
      open={open}
      toggle={() => toggle(!open)}
      says={
        <Box sx={{ fontSize: 14, lineHeight: 1.25 }}>
          {row.name.charAt(0).toUpperCase() + row.name.slice(1)}
          {row.more > 0 && <Box component="span" sx={{ color: 'text.secondary' }}>{`, and ${row.more} alike`}</Box>}
          {piece && <Box component="span" sx={{ color: 'text.secondary' }}>{`, ${pieceName(piece)}`}</Box>}
          <Box
            component="div"
            sx={{
              color: (t) => (row.mark === 'over' ? t.inks.signal : row.mark === 'unknown' ? t.inks.unknown : t.palette.text.secondary),
              fontWeight: row.mark ? 600 : 400,
            }}
          >
            {row.mark && <span aria-hidden="true">{stateMarks[row.mark]} </span>}
            {row.says}
          </Box>
        </Box>
      }
    >
      {limit && (
        <Box sx={{ pl: 1.4, pb: 1 }}>
          <Reliefs job={job} limitId={limitKey(limit)} />
        </Box>
      )}
    </PressRow>
  )
}
