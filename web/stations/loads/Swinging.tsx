import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import type { Figure } from '../../../core/figure/figure'
import { FigureValue } from '../../figure/Working'
import { useResult } from '../../job/useEvaluation'
import { Group } from '../Group'

/** How the loaded rack swings, whether a bare bar sings, what the air lifts; the moment on a hitch; and who must have a say besides the shop. */
export function Swinging() {
  const evaluation = useResult((s) => s.evaluation)
  if (!evaluation) return null
  const { frequency, tone, sings, prompt } = evaluation.dynamics
  const { sail } = evaluation
  const rows: [string, Figure | null][] = [
    ['Swings up and down at', frequency],
    ['Tone of a bare bar at speed', tone],
    ['A bare bar may sing near', sings],
    ['Air lifts the open bars by', sail?.open ?? null],
    ['Air lifts the rack as covered by', sail?.covered ?? null],
    ['Moment about the hitch pin', evaluation.hitchMoment],
  ]
  return (
    <>
      {evaluation.engineer.length > 0 && (
        <Group title="Not the shop’s word alone">
          <Alert severity="warning" icon={false}>
            A licensed engineer or the maker must have a say, because {evaluation.engineer.join('; because ')}.
          </Alert>
        </Group>
      )}
      <Group title="Swing, noise and air">
        <Box component="dl" sx={{ m: 0, display: 'grid', gridTemplateColumns: '1fr auto', gap: 0.5, fontSize: 14 }}>
          {rows.map(
            ([label, figure]) =>
              figure && (
                <Box key={label} sx={{ display: 'contents' }}>
                  <dt>{label}</dt>
                  <Box component="dd" sx={{ m: 0, textAlign: 'right' }}>
                    <FigureValue figure={figure} />
                  </Box>
                </Box>
              ),
          )}
        </Box>
        {[prompt, sail?.prompt].map(
          (says) =>
            says && (
              <Alert key={says} severity="info" icon={false}>
                {says}
              </Alert>
            ),
        )}
      </Group>
    </>
  )
}
