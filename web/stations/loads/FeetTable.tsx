import Box from '@mui/material/Box'
import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import Typography from '@mui/material/Typography'
import { lazy, Suspense } from 'react'
import type { Evaluation } from '../../../core/job/evaluate'
import { type FootRow, footByCase, footSideways } from '../../../core/limits/footRow'
import { chainFigure, type Link, weakest } from '../../../core/limits/strength'
import { feetUsed } from '../../../core/limits/usedInCase'
import { figureText } from '../../../core/quantity/figureText'
import { percentText } from '../../../core/quantity/percent'
import { useView } from '../../drawing/view'
import { WhyButton, Working } from '../../figure/Working'
import { useResult } from '../../job/useEvaluation'
import { useUnits } from '../../quantity/units'

const CaseChart = lazy(() => import('./CaseChart'))

/** What each foot takes: level, at worst, and when it is lifted, against the weakest of what holds it; and what each load case uses. */
export function FeetTable() {
  const evaluation = useResult((s) => s.evaluation)
  const units = useUnits()
  const select = useView((s) => s.select)
  if (!evaluation?.feet.length) return <Typography sx={{ p: 2, color: 'text.secondary' }}>No feet yet: add crossbars at Layout.</Typography>
  // without every mass and the speed nobody knows what the most and the least are
  const force = (n: number) => (evaluation.missing.length ? 'not known' : figureText(n, 'N', units))
  const levelKnown = !evaluation.cases.find((c) => c.case.id === 'cruise')?.missing.length
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { xs: 'minmax(0,1fr)', xl: 'minmax(0,1.6fr) minmax(300px,1fr)' }, gap: 2, p: 1.5 }}>
      <Box sx={{ overflowX: 'auto' }}>
        <Table size="small" aria-label="Feet">
          <TableHead sx={{ '& th': { whiteSpace: 'nowrap', px: 1 } }}>
            <TableRow>
              <TableCell>Foot</TableCell>
              <TableCell align="right">Level</TableCell>
              <TableCell>Most down</TableCell>
              <TableCell>Least down</TableCell>
              <TableCell>Along</TableCell>
              <TableCell>Aside</TableCell>
              <TableCell>Weakest link</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {evaluation.feet.map((f, i) => (
              <TableRow key={f.mount.id} hover onMouseEnter={() => select(f.mount.id)} sx={{ '& td': { px: 1 } }}>
                <TableCell sx={{ fontWeight: 600 }}>{f.mount.mark}</TableCell>
                <TableCell align="right" sx={{ whiteSpace: 'nowrap' }}>
                  {levelKnown ? figureText(f.levelN, 'N', units) : 'not known'}
                </TableCell>
                <TableCell>
                  <ByCase foot={f} i={i} evaluation={evaluation} which="most">
                    {force(f.mostDownN)}
                  </ByCase>
                  <In case={f.downCase} />
                </TableCell>
                <TableCell sx={{ color: f.leastDownN < 0 && !evaluation.missing.length ? 'error.main' : undefined }}>
                  <ByCase foot={f} i={i} evaluation={evaluation} which="least">
                    {f.leastDownN < 0 && !evaluation.missing.length ? `lifted ${force(-f.leastDownN)}` : force(f.leastDownN)}
                  </ByCase>
                  <In case={f.upCase} />
                </TableCell>
                {(['along', 'aside'] as const).map((way) => (
                  <TableCell key={way}>
                    <WhyButton
                      label={`${f.mount.mark}, pushed ${way}`}
                      content={() => <Working figure={footSideways(f, i, evaluation.cases, evaluation.missing, way)} />}
                    >
                      {force(way === 'along' ? f.mostAlongN : f.mostAsideN)}
                    </WhyButton>
                    <In case={way === 'along' ? f.alongCase : f.asideCase} />
                  </TableCell>
                ))}
                <TableCell>
                  <WeakestLink foot={f} i={i} evaluation={evaluation} />
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </Box>
      <Suspense fallback={<Typography variant="caption">Drawing the chart…</Typography>}>
        <CaseChart evaluation={evaluation} />
      </Suspense>
    </Box>
  )
}

/** The share of what the weakest link holds, down or up, whichever is used more in any case; unrated with what is missing. Opens its chain. */
function WeakestLink({ foot: f, i, evaluation }: { foot: FootRow; i: number; evaluation: Evaluation }) {
  const shares = evaluation.cases.map((c) => feetUsed(c, evaluation.feet)[i] ?? null)
  const used = shares.some((s) => s === null) ? null : Math.max(0, ...shares.map((s) => s ?? 0))
  const down = chainFigure(`chain.${f.mount.id}.down`, `Foot ${f.mount.mark}, down`, f.links.down)
  const up = chainFigure(`chain.${f.mount.id}.up`, `Foot ${f.mount.mark}, up`, f.links.up)
  // the chain to open: the one that is unrated, else the weaker
  const chain = down.value === null ? down : up.value === null || up.value < down.value ? up : down
  const part = (links: Link[]) => weakest(links)?.part
  return (
    <>
      {used === null ? 'unrated: ' : evaluation.missing.length ? 'not known; ' : `${percentText(used)} of `}
      <WhyButton label={chain.name} content={<Working figure={chain} />}>
        {chain.value === null ? (chain.missing[0] ?? 'what holds it') : (part(chain === down ? f.links.down : f.links.up) ?? chain.name)}
      </WhyButton>
    </>
  )
}

/** A foot's force, opening what every load case puts on it. */
function ByCase({
  foot,
  i,
  evaluation,
  which,
  children,
}: {
  foot: FootRow
  i: number
  evaluation: Evaluation
  which: 'most' | 'least'
  children: string
}) {
  return (
    <WhyButton
      label={`${foot.mount.mark}, ${which} down`}
      content={() => <Working figure={footByCase(foot, i, evaluation.cases, evaluation.missing, which)} />}
    >
      {children}
    </WhyButton>
  )
}

const In = ({ case: name }: { case: string }) => (
  <Typography variant="caption" component="div" sx={{ color: 'text.secondary', lineHeight: 1.1, minWidth: 84 }}>
    {name}
  </Typography>
)
