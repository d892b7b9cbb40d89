import type { MeasuringDevice } from './device'

const noise = (spread: number): number => (Math.random() + Math.random() + Math.random() - 1.5) * spread
const GARBAGE = ['tape;ERR-07', '####', 'tape;1565', 'tape;61.6;furlong', 'angle;999;deg', '\u0000\u0007ape;15']

type Pressed = MeasuringDevice & { press: (near: number | null) => void }

/** A stand-in for a digital tape: each press sends one length near what is being measured, with a little noise; in the wrong mode it sends rubbish. */
export function simulatedTape(settings: { unit: 'mm' | 'in'; wrongButton: boolean }): Pressed {
  let send: ((line: string) => void) | null = null
  return {
    name: 'Digital tape',
    simulated: true,
    start: (onLine) => {
      send = onLine
    },
    stop: () => {
      send = null
    },
    press: (near) => {
      const mm = Math.max(1, (near ?? 1200) + noise(1.2))
      send?.(
        settings.wrongButton
          ? GARBAGE[Math.floor(Math.random() * GARBAGE.length)]
          : settings.unit === 'mm'
            ? `tape;${mm.toFixed(1)};mm`
            : `tape;${(mm / 25.4).toFixed(3)};in`,
      )
    },
  }
}

export function simulatedAngleFinder(settings: { wrongButton: boolean }): Pressed {
  let send: ((line: string) => void) | null = null
  return {
    name: 'Angle finder',
    simulated: true,
    start: (onLine) => {
      send = onLine
    },
    stop: () => {
      send = null
    },
    press: (near) =>
      send?.(
        settings.wrongButton ? GARBAGE[Math.floor(Math.random() * GARBAGE.length)] : `angle;${((near ?? 9) + noise(0.3)).toFixed(1)};deg`,
      ),
  }
}

/** A stand-in for four weigh pads: each press sends one line a pad, shared as the vehicle stands. */
export function simulatedPads(axles: { frontKg: number; rearKg: number }): Pressed {
  let send: ((line: string) => void) | null = null
  return {
    name: 'Weigh pads',
    simulated: true,
    start: (onLine) => {
      send = onLine
    },
    stop: () => {
      send = null
    },
    press: () => {
      for (const [pad, kg] of [
        ['FL', axles.frontKg / 2],
        ['FR', axles.frontKg / 2],
        ['RL', axles.rearKg / 2],
        ['RR', axles.rearKg / 2],
      ] as const)
        send?.(`pad-${pad};${(kg + noise(3)).toFixed(0)};kg`)
    },
  }
}
