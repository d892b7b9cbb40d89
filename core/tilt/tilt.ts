/** A box of a length and depth stood up at an angle: as tall as L·sin α + D·cos α, as far as L·cos α + D·sin α (trigonometry). mm, degrees */
export function tilted(lengthMm: number, depthMm: number, angleDeg: number): { heightMm: number; reachMm: number } {
  const [s, c] = [Math.sin((angleDeg * Math.PI) / 180), Math.cos((angleDeg * Math.PI) / 180)]
  return { heightMm: lengthMm * s + depthMm * c, reachMm: lengthMm * c + depthMm * s }
}
