import { Impossible } from '../issue/impossible'

/** A wedge drawn by a bolt takes up slack: rise = draw·tan α; turns = draw / pitch; it holds by itself while tan α is under friction. mm, degrees */
export function wedge(
  slackMm: number,
  angleDeg: number,
  pitchMm: number,
  friction: number,
): { drawMm: number; turns: number; holdsItself: boolean } {
  const t = Math.tan((angleDeg * Math.PI) / 180)
  if (t < 1e-6) throw new Impossible('a wedge of 0° takes up nothing: 5 to 10° is usual')
  return { drawMm: slackMm / t, turns: slackMm / t / pitchMm, holdsItself: t < friction }
}
