import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import type { Job } from '../../../core/job/job'
import { pieceName } from '../../../core/pieces/piece'
import { figureText } from '../../../core/quantity/figureText'
import type { ComesOff } from '../../../core/reach/takeApart'
import { useView } from '../../drawing/view'
import { useFit } from '../../job/useFit'
import { stateMarks } from '../../limits/states'
import { useUnits } from '../../quantity/units'
import { Group } from '../Group'

/** What comes off again and in which order, and what is trapped: tried with every bolt undone and all cargo out. */
export function ComesApart({ job }: { job: Job }) {
  const fit = useFit()
  const units = useUnits()
  const select = useView((s) => s.select)
  if (!fit?.apart || (!fit.apart.order.length && !fit.apart.trapped.length)) return null
  const { order, trapped } = fit.apart
  const several = job.pieces.length > 1
  const of = (pieceId: string | null) => {
    const piece = several ? job.pieces.find((p) => p.id === pieceId) : undefined
    return piece ? `, ${pieceName(piece)}` : ''
  }
  return (
    <Group title="Comes off again">
      {trapped.map((t) => (
        <Box key={t.ids[0]} role="alert" sx={{ borderLeft: 3, borderColor: 'error.main', pl: 1.25, fontSize: 14 }}>
          <Box component="span" sx={{ color: (th) => th.inks.signal, fontWeight: 600 }}>
            <span aria-hidden="true">{stateMarks.over}</span> {t.names[0]}
          </Box>
          {of(t.pieceId)} is trapped: {t.by.name} is in its way after {figureText(t.goesMm, 'mm', units)} at the best. Bolt one of the two,
          or weld it last.
        </Box>
      ))}
      {order.length > 0 && (
        <Box component="ol" sx={{ m: 0, pl: 2.75, fontSize: 14 }}>
          {runs(order).map(({ first, count }) => (
            <Box component="li" key={first.ids[0]} onMouseEnter={() => select(first.ids[0] ?? null)}>
              {first.names[0]}
              {first.names.length > 1 ? ` and ${first.names.length - 1} welded to it` : ''}
              {count > 1 ? `, ${count} of them` : ''}
              <Box component="span" sx={{ color: 'text.secondary' }}>
                {of(first.pieceId)}: {first.way}
              </Box>
            </Box>
          ))}
        </Box>
      )}
      <Typography variant="caption" sx={{ color: 'text.secondary' }}>
        Straight, all cargo out, each bolt undone once a tool gets to it. Put together the other way round.
      </Typography>
    </Group>
  )
}

/** The same thing several times in a row as one line. */
function runs(order: ComesOff[]): { first: ComesOff; count: number }[] {
  const out: { first: ComesOff; count: number }[] = []
  for (const o of order) {
    const last = out[out.length - 1]
    if (last && last.first.names.length === 1 && o.names.length === 1 && last.first.names[0] === o.names[0] && last.first.way === o.way)
      last.count++
    else out.push({ first: o, count: 1 })
  }
  return out
}
