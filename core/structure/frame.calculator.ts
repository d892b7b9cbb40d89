import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, triple } from '../calculator/fields'
import { FrameInput, frameExample, solveFrame } from './frameInput'

export const frameCalculator = calculator({
  name: 'frame',
  title: 'Space frame',
  about:
    'Movements, reactions and forces of any frame of straight members in space, with springs, released ends and rigid arms. A frame that moves without being loaded is refused, naming the node and how it moves.',
  formula: 'K·u = f, K = Σ Bᵀ·k·B; L·D·Lᵀ',
  source: 'Przemieniecki, Theory of Matrix Structural Analysis; McGuire, Gallagher & Ziemian, 2nd ed.',
  input: FrameInput,
  output: z.object({
    displacements: z.array(z.object({ node: z.string(), translation: triple, rotation: triple })),
    reactions: z.array(z.object({ node: z.string(), force: triple, moment: triple })),
    members: z.array(z.object({ id: z.string(), maxMoment: number, maxShear: number, axial: number })),
  }),
  example: frameExample,
  run: (given) => solveFrame(given),
})
