import { edgeOfHole, type Hole } from '../geometry/hole'
import type { Point } from '../geometry/vec3'
import type { Entity, Layer } from './sheet'

/** A hole as it is drawn: a circle, or the edge of a slot; each of its points put where the drawing has it. */
export const holeEntity = (h: Hole, layer: Layer, on: (p: Point) => Point = (p) => p): Entity =>
  h.slot || h.edge
    ? { kind: 'polygon', layer, closed: true, points: edgeOfHole(h).map(on) }
    : { kind: 'circle', layer, centre: on(h.at), radius: h.diameterMm / 2 }
