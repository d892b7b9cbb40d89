import { z } from 'zod'
import { FrameInput, frameExample, solveFrame } from '../structure/frameInput'
import { calculator } from './calculator'

const triple = z.tuple([z.number(), z.number(), z.number()])

const frame = calculator({
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
    members: z.array(z.object({ id: z.string(), maxMoment: z.number(), maxShear: z.number(), axial: z.number() })),
  }),
  example: frameExample,
  run: (given) => {
    const { displacements, reactions, members } = solveFrame(given)
    return { displacements, reactions, members: members.map(({ id, maxMoment, maxShear, axial }) => ({ id, maxMoment, maxShear, axial })) }
  },
})

export const structureCalculators = [frame]
