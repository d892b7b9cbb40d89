import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive, zero } from '../calculator/fields'
import { boltSizeNames, boltSizes } from '../catalogue/bolts'
import { defaultRules } from '../rules/rules'
import { toolRoom } from './toolRoom'

export const toolRoomCalculator = calculator({
  name: 'tool-room',
  title: 'Room for a tool round a bolt',
  about:
    'Whether a socket with a hand on it, or a ring spanner, gets to a bolt beside a wall and under a roof, and the room that each asks.',
  formula: 'socket: b ≥ max(2.4·d, hand)/2, a ≥ socket + hand; spanner: b ≥ 2.8·d/2, a ≥ (0.3 + 1.4)·d',
  source: 'shop’s own: sizes of its tools in diameters of the bolt',
  input: z.object({
    size: z.enum(boltSizeNames).meta({ title: 'Size' }),
    besideMm: zero('From its middle to the nearest wall beside it', 'mm', 5000),
    aboveMm: zero('Free above the metal it is on', 'mm', 5000),
    socketMm: positive('A socket stands out, up to the hand, by', 'mm', 600).default(110),
  }),
  output: z.object({
    diameterMm: number,
    ways: z.array(z.object({ tool: z.string(), besideMm: number, aboveMm: number, fits: z.boolean() })),
    reached: z.boolean(),
  }),
  example: { size: 'M8', besideMm: 18, aboveMm: 60 },
  run: ({ size, socketMm, ...room }) => {
    const ways = toolRoom(size, room, { ...defaultRules, socketMm })
    return { diameterMm: boltSizes[size].diameterMm, ways, reached: ways.some((w) => w.fits) }
  },
})
