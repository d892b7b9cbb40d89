import Typography from '@mui/material/Typography'
import type { Assembly } from '../../../core/assembly/assembly'
import { figureText } from '../../../core/quantity/figureText'
import { useUnits } from '../../quantity/units'

/** Boards of a deck: one length, one width, and where each begins from the left edge; screws and the drills for them. */
export function BoardsTable({ assembly }: { assembly: Assembly }) {
  const units = useUnits()
  const mm = (v: number) => figureText(v, 'mm', units)
  const list = assembly.infills.flatMap((i) => (i.boards ? [{ ...i.boards, mark: i.mark, screws: i.fixings.count }] : []))
  if (!list.length) return null
  return (
    <section>
      <Typography variant="h2" gutterBottom>
        Boards
      </Typography>
      {list.map((b) => (
        <Typography key={b.mark} variant="body2" sx={{ maxWidth: 760 }}>
          <strong>{b.mark}</strong>: {b.startsMm.length} boards {mm(b.widthMm)} wide, cut to {mm(b.lengthMm)},{' '}
          {figureText(b.gapMm, 'gauge', units)} between. From the left edge they begin at{' '}
          {b.startsMm.map((s) => figureText(s, 'mm', units)).join(', ')}. {b.screws} screws with spares: drill{' '}
          {figureText(b.pilotInWoodMm, 'gauge', units)} through the board and {figureText(b.pilotMm, 'gauge', units)} in the tube; wax the
          threads. Drill one board as the template for the rest.
        </Typography>
      ))}
    </section>
  )
}
