import Alert from '@mui/material/Alert'
import type { Figure } from '../../../core/figure/figure'
import { FigureList } from '../../figure/FigureList'
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
        <FigureList rows={rows} />
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
