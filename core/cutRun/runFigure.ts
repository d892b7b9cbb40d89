import { type Figure, figure } from '../figure/figure'
import type { CutRun, RunCut } from './cutRun'

/** How long the table runs over one sheet, by the settings that cut clean. min */
export const runFigure = (run: CutRun, cut: RunCut, on: string | null): Figure =>
  figure(
    {
      id: 'cut-run',
      name: 'Time on the table',
      unit: 'min',
      formula: 'T = L/f + n·p/60 + Lt/ft',
      source: `arithmetic; kerf, feed and pierce as they cut clean${on ? ` on ${on}` : ', no date'}, Shop`,
      assumes: ['without loading, heating up and turning corners slower'],
      with: {
        L: [run.cutMm, 'mm', 'cut, with leads'],
        f: [cut.feedMmMin, 'mm/min', 'feed'],
        n: [run.passes.length, '', 'pierces'],
        p: [cut.pierceS, 's', 'pierce'],
        Lt: [run.travelMm, 'mm', 'from cut to cut'],
        ft: [cut.rapidMmMin, 'mm/min', 'from cut to cut'],
      },
    },
    ({ L, f, n, p, Lt, ft }) => L / f + (n * p) / 60 + Lt / ft,
  )
