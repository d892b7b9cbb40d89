import { z } from 'zod'
import { crossbarRack } from './crossbarRack/family'

export const families = [crossbarRack] as const
export type AnyFamily = (typeof families)[number]

/** One design as stored: its family and that family's parameters. */
export const DesignSchema = z.discriminatedUnion('family', [
  z.object({ family: z.literal(crossbarRack.id as 'crossbar-rack'), params: crossbarRack.params }),
])
export type Design = z.infer<typeof DesignSchema>

export function familyOf(design: { family: string }): AnyFamily {
  const found = families.find((f) => f.id === design.family)
  if (!found) throw new Error(`no design family ${design.family}`)
  return found
}
