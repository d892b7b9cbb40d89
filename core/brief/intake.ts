import { z } from 'zod'

/** What is asked too late again and again: each is one question at intake, with what a yes leads to. */
export const intakeQuestions = [
  {
    id: 'climbs',
    asks: 'Will somebody climb up, and by what?',
    yes: 'a ladder or a step that is made for it, and “somebody climbs” under Use',
  },
  { id: 'lamps', asks: 'Lamps, a beacon, a camera or an aerial?', yes: 'who wires them, the switch, and its days of delivery' },
  { id: 'ties', asks: 'Will anything be tied down, and to what?', yes: 'rings with a rating on a piece, or anchors at Loads' },
  {
    id: 'behind',
    asks: 'Must something behind it stay in reach?',
    yes: 'what it is, and how often: fan, hatch, spare wheel, fuel, battery',
  },
  { id: 'locks', asks: 'Must it lock, and with which keys?', yes: 'locks and their key numbers' },
  { id: 'seal', asks: 'Must it keep water or dust out?', yes: 'where it seals, and what drains' },
  { id: 'off', asks: 'Does it come off again, in winter or for a wash?', yes: 'who lifts it, and where it is kept' },
  { id: 'under', asks: 'A garage, a ferry or a car wash on the way?', yes: 'each height under “Must pass under”' },
  { id: 'tyres', asks: 'Other tyres or springs planned?', yes: 'the next size at Measure: it changes every height' },
  { id: 'driver', asks: 'Will somebody else drive or load it, shorter or taller?', yes: 'the lowest and the highest that both can reach' },
  {
    id: 'animals',
    asks: 'People or animals riding behind it?',
    yes: 'what may not come loose towards them: a restraint for a crash is a licensed matter',
  },
  { id: 'later', asks: 'What else may come later?', yes: 'room, holes or load kept free for it' },
] as const
export type IntakeId = (typeof intakeQuestions)[number]['id']
const ids = intakeQuestions.map((q) => q.id) as [IntakeId, ...IntakeId[]]

/** An answer at intake; a yes stays open until it is settled. */
export const AskedSchema = z.partialRecord(
  z.enum(ids),
  z.object({ answer: z.enum(['yes', 'no']), note: z.string().max(300).default(''), settled: z.boolean().default(false) }),
)
export type Asked = z.infer<typeof AskedSchema>

/** Questions that nobody put to the client yet. */
export const notAsked = (asked: Asked): number => intakeQuestions.filter((q) => !asked[q.id]).length

/** Every yes that is not settled: in the client's words where there are any. `met` = what the job already answers by itself. */
export const stillOpen = (asked: Asked, met: ReadonlySet<IntakeId>): string[] =>
  intakeQuestions.flatMap((q) => {
    const a = asked[q.id]
    return a?.answer === 'yes' && !a.settled && !met.has(q.id) ? [`${a.note || q.asks} Yes: ${q.yes}`] : []
  })
