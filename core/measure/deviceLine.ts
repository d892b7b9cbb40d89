import { UNIT_WORDS } from '../quantity/units'

/** What a measuring device said: a length in mm, an angle in degrees, or a mass in kg with the pad it stands on. */
export type DeviceReading =
  | { device: 'tape'; lengthMm: number; text: string }
  | { device: 'angle'; angleDeg: number; text: string }
  | { device: 'pad'; pad: 'FL' | 'FR' | 'RL' | 'RR'; massKg: number; text: string }
export type DeviceLine = { ok: true; reading: DeviceReading } | { ok: false; message: string }

/**
 * One line of a device, `tape;1565.3;mm`, `angle;8.5;deg`, `pad-FL;592;kg`: name, number, unit. Anything else is refused in words, and nothing of it
 * is kept: a device that was knocked or is on the wrong setting must never fill a field.
 */
export function readDeviceLine(line: string): DeviceLine {
  const shown = line.slice(0, 60)
  const m = /^(tape|angle|pad-(FL|FR|RL|RR));([+-]?\d+(?:\.\d+)?);([A-Za-z"'°]+)$/.exec(line.trim())
  if (!m) return { ok: false, message: `the device sent “${shown}”, which is no reading; press its button again` }
  const [, name, pad, number, unit = ''] = m
  const value = Number(number)
  const dimension = name === 'tape' ? 'length' : name === 'angle' ? 'angle' : 'mass'
  const factor = UNIT_WORDS[dimension][unit] ?? UNIT_WORDS[dimension][unit.toLowerCase()]
  if (factor === undefined)
    return { ok: false, message: `the ${name} sent ${value} “${unit}”, which is no unit of ${dimension}; check its setting` }
  const out = value * factor
  const text = `${number} ${unit}`
  if (dimension === 'length')
    return out >= 0 && out <= 30_000
      ? { ok: true, reading: { device: 'tape', lengthMm: out, text } }
      : { ok: false, message: `the tape sent ${text}, which it cannot reach; check its setting` }
  if (dimension === 'angle')
    return Math.abs(out) <= 180
      ? { ok: true, reading: { device: 'angle', angleDeg: out, text } }
      : { ok: false, message: `the angle finder sent ${text}; it must lie within 180°` }
  return out >= 0 && out <= 10_000
    ? { ok: true, reading: { device: 'pad', pad: pad as 'FL', massKg: out, text } }
    : { ok: false, message: `pad ${pad} sent ${text}; set it to zero and weigh again` }
}

/** Four pads → kerb mass on each axle. kg; null until both pads of an axle have spoken. */
export function axlesFromPads(pads: Partial<Record<'FL' | 'FR' | 'RL' | 'RR', number>>): { frontKg: number | null; rearKg: number | null } {
  const sum = (a?: number, b?: number) => (a === undefined || b === undefined ? null : a + b)
  return { frontKg: sum(pads.FL, pads.FR), rearKg: sum(pads.RL, pads.RR) }
}
