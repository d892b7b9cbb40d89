import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import type { Assembly } from '../../../core/assembly/assembly'
import { flatPartSheet } from '../../../core/drawing/flatPart'
import { figureText } from '../../../core/quantity/figureText'
import { SheetView } from '../../drawing/SheetView'
import { useUnits } from '../../quantity/units'

/** Each folded part once: its blank with the fold lines from one edge, and the folded edge above it. */
export function FlatPartDrawings({ assembly }: { assembly: Assembly }) {
  const units = useUnits()
  // alike parts carry one mark and are drawn once
  const folded = [...new Map(assembly.plates.filter((p) => p.bends.length).map((p) => [p.mark, p])).values()]
  return folded.map((p) => (
    <Box key={p.id} component="figure" sx={{ m: 0, mt: 2, maxWidth: 620 }}>
      <Typography component="figcaption" variant="body2" sx={{ color: 'text.secondary' }}>
        {p.mark}: lay out on one face. Full line folds up (↑), dashed line folds down (↓); inside radius{' '}
        {figureText(p.bends[0]?.insideRadiusMm ?? null, 'gauge', units)}. Make one of an offcut first: a brake’s own gain moves the lines.
      </Typography>
      <Box sx={{ height: 260 }}>
        <SheetView sheet={flatPartSheet(p)} handles={[]} marks={new Map()} selected={null} onSelect={() => undefined} actions={null} />
      </Box>
    </Box>
  ))
}
