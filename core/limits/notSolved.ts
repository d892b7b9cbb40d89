import { figure } from '../figure/figure'
import { FRAME } from './footLimits'
import { allOfIt, type Limit, limit } from './limit'

/** What cannot be solved is not assessed: without this the gauge would only show what the vehicle carries, and look clear. */
export const notSolved = (why: string, pieceId: string | null = null): Limit =>
  limit({
    id: 'rack',
    pieceId,
    name: 'It is not a structure',
    group: 'rack',
    unit: '',
    nearRatio: 1,
    used: figure(
      { id: 'rack', name: 'Strength of the piece', unit: '', formula: 'K·u = f has no answer', source: FRAME, with: {}, lacks: [why] },
      () => 0,
    ),
    allowed: allOfIt('rack.allowed', FRAME, 'A piece that stands'),
  })
