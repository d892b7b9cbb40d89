import { Document, type Material, NodeIO } from '@gltf-transform/core'
import { materialOf } from '../../core/catalogue/materials'
import { profileOf } from '../../core/catalogue/profiles'
import { vehicleSolid } from '../../core/drawing/vehicleSolid'
import type { Evaluation } from '../../core/job/evaluate'
import type { Job } from '../../core/job/job'
import { extrude } from '../../core/solid/extrude'
import type { Mesh } from '../../core/solid/mesh'
import { prism } from '../../core/solid/prism'
import { sweep } from '../../core/solid/sweep'
import { solidsOf } from '../../core/touch/solids'

type Rgb = [number, number, number]
const COLOURS = {
  steel: [0.3, 0.32, 0.34],
  aluminium: [0.72, 0.74, 0.75],
  vehicle: [0.86, 0.85, 0.82],
  glass: [0.3, 0.42, 0.46],
  lamp: [0.6, 0.35, 0.05],
  bought: [0.45, 0.45, 0.42],
  cargo: [0.72, 0.6, 0.35],
} satisfies Record<string, Rgb>
type Colour = keyof typeof COLOURS

/**
 * Assembly, cargo and vehicle as one binary glTF 2.0: metres, y up, looking along +z forward as the standard has it; every part a node named by mark and
 * name. The vehicle is a likeness, and its node says so.
 */
export async function assemblyGltf(job: Job, { assembly }: Pick<Evaluation, 'assembly'>): Promise<Uint8Array> {
  const doc = new Document()
  const buffer = doc.createBuffer()
  const scene = doc.createScene(job.title)
  const materials = new Map<Colour, Material>()
  const materialFor = (c: Colour): Material => {
    const known = materials.get(c)
    if (known) return known
    const made = doc
      .createMaterial(c)
      .setBaseColorFactor([...COLOURS[c], 1])
      .setMetallicFactor(c === 'steel' || c === 'aluminium' ? 0.6 : 0)
      .setRoughnessFactor(0.6)
      .setDoubleSided(true)
    materials.set(c, made)
    return made
  }
  const put = (parent: { addChild: (node: ReturnType<Document['createNode']>) => unknown }, name: string, mesh: Mesh, colour: Colour) => {
    if (!mesh.indices.length) return
    const prim = doc
      .createPrimitive()
      .setAttribute('POSITION', doc.createAccessor().setType('VEC3').setArray(inGltf(mesh.positions)).setBuffer(buffer))
      .setIndices(doc.createAccessor().setType('SCALAR').setArray(new Uint32Array(mesh.indices)).setBuffer(buffer))
      .setMaterial(materialFor(colour))
    parent.addChild(doc.createNode(name).setMesh(doc.createMesh(name).addPrimitive(prim)))
  }
  const metal = (materialId: string): Colour => (materialOf(materialId).densityKgM3 < 4000 ? 'aluminium' : 'steel')
  const rack = doc.createNode('assembly')
  const vehicle = doc.createNode(`${job.vehicle.name}, a likeness`)
  scene.addChild(rack)
  scene.addChild(vehicle)
  for (const m of assembly.members) put(rack, `${m.mark} ${m.name}`, sweep(m, assembly.members), metal(profileOf(m.profileId).materialId))
  for (const p of assembly.plates.filter((x) => !x.steps)) put(rack, `${p.mark} ${p.name}`, extrude(p), metal(p.materialId))
  const solids = solidsOf(assembly, job.vehicle, job.brief, 'driving')
  for (const s of solids) {
    const colour: Colour | null =
      s.kind === 'cargo' ? 'cargo' : ['fitting', 'foot', 'infill', 'obstacle'].includes(s.kind) ? 'bought' : null
    if (colour) for (const h of s.hulls) put(s.kind === 'obstacle' ? vehicle : rack, s.name, prism(h), colour)
  }
  const solid = vehicleSolid(job.vehicle)
  for (const [kind, meshes, colour] of [
    ['body', solid.paint, 'vehicle'],
    ['glass', solid.glass, 'glass'],
    ['lamp', solid.lamps, 'lamp'],
  ] as const)
    for (const [i, mesh] of meshes.entries()) put(vehicle, `${kind} ${i + 1}`, mesh, colour)
  return new NodeIO().writeBinary(doc)
}

/** Vehicle axes (x forward, y left, z up, mm) as glTF has them: x left, y up, z forward, metres. */
function inGltf(positions: number[]): Float32Array {
  const out = new Float32Array(positions.length)
  for (let i = 0; i < positions.length; i += 3) out.set([positions[i + 1]! / 1000, positions[i + 2]! / 1000, positions[i]! / 1000], i)
  return out
}
