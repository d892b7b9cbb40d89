import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { any, number, positive } from '../calculator/fields'
import { Impossible } from '../issue/impossible'
import { strutCurve } from './strutCurve'

export const lidStrutsCalculator = calculator({
  name: 'lid-struts',
  title: 'Gas struts over the whole way of a lid',
  about:
    'A lid that lies level when shut and opens upward: whether old struts hold it in the cold, from where hot ones lift it by themselves, and what a hand feels at its edge.',
  formula: 'H = (Σ m·g·a − n·F·s) / R at every degree; F = F₂₀·(1 + (k − 1)·x / stroke)·T / 293',
  source: 'moments about the hinge (statics); gas by temperature (Gay-Lussac); progression and ageing: shop’s own, the maker says',
  input: z.object({
    lidKg: positive('Lid', 'kg', 500),
    lidOutMm: positive('Hinge to its middle'),
    edgeMm: positive('Hinge to its edge'),
    opensDeg: z.number().min(1).max(170).meta({ title: 'Opens to', unit: '°' }),
    struts: z.number().int().min(1).max(8).default(2).meta({ title: 'Struts' }),
    forceN: positive('Force of one, at 20 °C', 'N', 20_000),
    fullLengthMm: positive('Its full length'),
    strokeMm: positive('Its stroke'),
    onLidOutMm: any('End on the lid, out from the hinge'),
    onLidBelowMm: any('End on the lid, below it'),
    onBodyOutMm: any('End on the body, out from the hinge'),
    onBodyBelowMm: any('End on the body, below the shut lid'),
    coldC: z.number().min(-60).max(30).default(-10).meta({ title: 'Down to', unit: '°C' }),
    hotC: z.number().min(0).max(90).default(40).meta({ title: 'Up to', unit: '°C' }),
    kept: z.number().min(0.3).max(1).default(0.85).meta({ title: 'Of its force an old one keeps' }),
    progression: z.number().min(1).max(3).default(1.3).meta({ title: 'Pushed right in, times' }),
  }),
  output: z.object({
    holds: z.boolean(),
    closesOpenNmm: number,
    holdsOpenNmm: number,
    mostToOpenN: number,
    mostToShutN: number,
    liftsFromDeg: number.nullable(),
    atLatchN: number,
    mostAtHingeN: number,
  }),
  example: {
    lidKg: 12,
    lidOutMm: 250,
    edgeMm: 500,
    opensDeg: 85,
    forceN: 150,
    fullLengthMm: 420,
    strokeMm: 170,
    onLidOutMm: 150,
    onLidBelowMm: 0,
    onBodyOutMm: 60,
    onBodyBelowMm: 250,
  },
  run: (v) => {
    const masses = [{ kg: v.lidKg, out: v.lidOutMm, up: 0 }]
    const {
      points: _,
      governs: __,
      outOfReach,
      ...answer
    } = strutCurve({
      fromDeg: 0,
      toDeg: v.opensDeg,
      empty: masses,
      loaded: masses,
      gravity: { out: 0, up: -1 },
      handOutMm: v.edgeMm,
      count: v.struts,
      forceN: v.forceN,
      extendedMm: v.fullLengthMm,
      strokeMm: v.strokeMm,
      progression: v.progression,
      onLeaf: { out: v.onLidOutMm, up: -v.onLidBelowMm },
      onBody: { out: v.onBodyOutMm, up: -v.onBodyBelowMm },
      coldC: v.coldC,
      hotC: v.hotC,
      kept: v.kept,
    })
    if (outOfReach)
      throw new Impossible(
        `the strut is ${outOfReach.says} at ${Math.round(outOfReach.deg)}°, where its ends are ${Math.round(outOfReach.lengthMm)} mm apart: move one of them, or take another size`,
      )
    return { holds: answer.holdsOpenNmm >= answer.closesOpenNmm, ...answer }
  },
})
