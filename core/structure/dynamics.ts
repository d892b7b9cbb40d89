import { type Assembly, bearingMembers, memberEnds } from '../assembly/assembly'
import type { Brief } from '../brief/brief'
import { materialOf } from '../catalogue/materials'
import { massPerMetre, profileOf, profileSection } from '../catalogue/profiles'
import { type Figure, figure, type Input } from '../figure/figure'
import { barHz, sheddingHz, singsAtKmh, strouhal } from './whistle'

export type Dynamics = { frequency: Figure; tone: Figure | null; sings: Figure | null; prompt: string | null }

/** How the loaded rack swings, and whether a bare bar sings in the wind. Prompts, no limits: what a driver bears is his own affair. */
export function dynamics(assembly: Assembly, brief: Brief, frequencyHz: number | null, missing: string[]): Dynamics {
  const frequency = figure(
    {
      id: 'frequency',
      name: 'First natural frequency, loaded, up and down',
      unit: 'Hz',
      formula: 'f = (1/2π)·√(g·Σ W·δ / Σ W·δ²)',
      source: 'Rayleigh, Shigley, 10th ed., eq. 7-23; δ from the frame under the level load',
      assumes: ['the level load’s shape is near the first mode’s'],
      with: { f: [frequencyHz, 'Hz', missing[0] ?? 'feet to stand on'] },
    },
    ({ f }) => f,
  )
  const faired = new Set(assembly.plates.filter((p) => p.air === 'fairing').map((p) => p.id))
  const behind = new Set(assembly.joints.filter((j) => faired.has(j.between[0])).map((j) => j.between[1]))
  // a bar that lies across the wind with nothing ahead of it
  const bare = bearingMembers(assembly).filter((b) => {
    const [from, to] = memberEnds(b)
    return !behind.has(b.id) && Math.abs(from.y - to.y) > Math.abs(from.x - to.x)
  })
  const [bar] = bare
  if (!bar) return { frequency, tone: null, sings: null, prompt: null }
  const shape = profileOf(bar.profileId).shape.kind === 'round' ? 'round' : 'flat'
  const section = profileSection(bar.profileId)
  const feet = assembly.mounts.filter((m) => m.on === bar.id).map((m) => m.place.y)
  const spanMm = Math.max(...feet, 1) - Math.min(...feet, 0)
  const own = barHz(spanMm, materialOf(profileOf(bar.profileId).materialId).elasticMPa, section.iyMm4, massPerMetre(bar.profileId))
  const D: Input = [section.heightMm, 'mm', 'height of the bar in the wind']
  const St: Input = [strouhal[shape], '', 'Strouhal number']
  const source = 'Blevins, Flow-Induced Vibration, 2nd ed., ch. 3'
  const tone = figure(
    {
      id: 'whistle.tone',
      name: 'Tone of a bare bar at speed',
      unit: 'Hz',
      formula: 'f = St·v / D',
      source,
      with: { St, D, v: [brief.speedKmh, 'km/h', 'driving speed'] },
    },
    (k) => sheddingHz(shape, k.v, k.D),
  )
  const sings = figure(
    {
      id: 'whistle.speed',
      name: 'Speed at which a bare bar may sing',
      unit: 'km/h',
      formula: 'v = f₁·D / St',
      source: `${source}; f₁ = (π/2L²)·√(EI/m)`,
      assumes: ['bar empty, on two feet'],
      with: { 'f₁': [own, 'Hz', 'own frequency of the bar'], D, St, L: [spanMm, 'mm', 'span'] },
    },
    (k) => singsAtKmh(shape, k['f₁'], k.D),
  )
  const speed = brief.speedKmh
  const near = speed !== null && sings.value !== null && Math.abs(sings.value / Math.max(1, speed) - 1) < 0.25
  return {
    frequency,
    tone,
    sings,
    prompt: near
      ? 'An empty bar may sing near the driving speed: close open ends and holes, and break the edge with a fairing, a wound cord or a strip along it.'
      : null,
  }
}
