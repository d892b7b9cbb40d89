import { useTheme } from '@mui/material/styles'
import { Line, OrbitControls } from '@react-three/drei'
import { Canvas } from '@react-three/fiber'
import { useEffect, useMemo, useState } from 'react'
import { BufferAttribute, BufferGeometry, DoubleSide, Quaternion, Vector3 } from 'three'
import type { Assembly, Infill } from '../../core/assembly/assembly'
import { fittingCorners } from '../../core/assembly/round'
import type { ShownGap } from '../../core/drawing/gapLines'
import { drawnVehicle, WHEEL_RADIUS_MM } from '../../core/drawing/vehicleOutline'
import { vehicleSolid } from '../../core/drawing/vehicleSolid'
import type { Vec3 } from '../../core/geometry/vec3'
import type { Job } from '../../core/job/job'
import { isInside } from '../../core/places/places'
import { restOf } from '../../core/resting/rest'
import { extrude } from '../../core/solid/extrude'
import { footRiseMm, footSize } from '../../core/solid/foot'
import type { Mesh } from '../../core/solid/mesh'
import { prism } from '../../core/solid/prism'
import { sweep } from '../../core/solid/sweep'
import { leafAt, swingPaths, swingsOf } from '../../core/vehicle/swings'
import type { Swing } from '../../core/vehicle/vehicle'
import type { LimitState } from '../limits/states'
import type { Inks } from '../theme/theme'

type Props = {
  job: Job
  assembly: Assembly
  when: 'driving' | 'parked'
  marks: Map<string, LimitState>
  /** centre lines as a load case moves them, drawn larger than life */
  strained: { memberId: string; moved: Vec3[] }[]
  /** the nearest points of gaps that are looked at */
  gaps: ShownGap[]
}

/** The assembly in the round. Vehicle axes (x forward, y left, z up) are three's with y and z changed over; metres. */
export default function Scene({ job, assembly, when, marks, strained, gaps }: Props) {
  const { inks } = useTheme()
  const length = (job.vehicle.lengthMm.value ?? 5400) / 1000
  // where somebody last looked from, at a vehicle of this shape; else so that the pieces are in front
  const of = `${job.vehicle.id} ${length}`
  const [seat] = useState(() => seats.get(of) ?? firstSeat(assembly, job.vehicle, length))
  const cargo = job.brief.cargo.filter((c) => c.counts === 'both' || c.counts === when)
  const standsAt = (c: (typeof cargo)[number]) => restOf(c, assembly).zMm ?? job.vehicle.roofHeightMm.value ?? 0
  const colour = (ref: string, plain: string) => (marks.get(ref) === 'over' ? inks.signal : marks.get(ref) === 'near' ? inks.near : plain)
  return (
    <Canvas
      frameloop="demand"
      camera={{ position: seat.from, fov: 38, near: 0.1, far: 100 }}
      style={{ height: '100%' }}
      aria-label="3D view: drag to turn, scroll to come nearer"
      role="img"
    >
      <color attach="background" args={[inks.sheet]} />
      <ambientLight intensity={1.4} />
      <directionalLight position={[4, 9, 6]} intensity={1.6} />
      <group position={[-length / 2 + (job.vehicle.rearOverhangMm.value ?? 1100) / 1000, 0, 0]}>
        <Bodies job={job} inks={inks} through={isInside(assembly)} />
        <Parts assembly={assembly} inks={inks} colour={colour} />
        {cargo.map((c) => (
          <Block
            key={c.id}
            at={[c.xMm, c.yMm, standsAt(c) + c.heightMm / 2]}
            size={[c.lengthMm, c.widthMm, c.heightMm]}
            colour={colour(`cargo:${c.id}`, inks.cargo)}
            opacity={strained.length ? 0.25 : 0.78}
          />
        ))}
        {job.vehicle.obstacles.map((o, i) => (
          <Block
            key={i}
            at={[o.xMm, o.yMm, (job.vehicle.roofHeightMm.value ?? 0) + o.heightMm / 2]}
            size={[o.lengthMm, o.widthMm, o.heightMm]}
            colour={inks.obstacle}
          />
        ))}
        {strained.map(
          (s) =>
            s.moved.length > 1 && (
              <Line
                key={s.memberId}
                points={s.moved.map((p) => place(p.x, p.y, p.z))}
                color={inks.selected}
                lineWidth={3}
                depthTest={false}
              />
            ),
        )}
        {gaps.map((g, i) => (
          <GapMark key={i} gap={g} colour={g.bad ? inks.signal : inks.dimension} />
        ))}
        {swingsOf(job.vehicle).map((s) => (
          <Leaf key={s.id} swing={s} colour={inks.obstacle} />
        ))}
      </group>
      <gridHelper args={[12, 24, inks.line, inks.line]} />
      <OrbitControls
        makeDefault
        target={seat.at}
        maxPolarAngle={Math.PI / 2}
        onEnd={(e) => {
          const by = e?.target as { object: { position: Vector3 }; target: Vector3 } | undefined
          if (by) seats.set(of, { from: by.object.position.toArray(), at: by.target.toArray() })
        }}
      />
    </Canvas>
  )
}

type PartsProps = { assembly: Assembly; inks: Inks; colour: (ref: string, plain: string) => string }
/** Everything that is made or fitted. */
function Parts({ assembly, inks, colour }: PartsProps) {
  return (
    <>
      {assembly.members.map((m) => (
        <Solid key={m.id} make={() => sweep(m, assembly.members)} of={m} colour={colour(m.id, inks.waterDeep)} />
      ))}
      {assembly.plates
        .filter((p) => !p.steps)
        .map((p) => (
          <Solid key={p.id} make={() => extrude(p)} of={p} colour={p.air === 'fairing' || p.faces ? inks.memberFill : inks.quiet} />
        ))}
      {assembly.mounts.map((m) => (
        <Foot key={m.id} mount={m} assembly={assembly} colour={colour(m.id, inks.member)} />
      ))}
      {assembly.infills.map((i) => (
        <Fill key={i.id} infill={i} colour={inks.quiet} />
      ))}
      {assembly.fittings.map((f) => (
        <Solid key={f.id} make={() => prism(fittingCorners(f))} of={f} colour={f.round ? inks.quiet : inks.vehicle} />
      ))}
      {assembly.anchors.map((x) => (
        <mesh key={x.id} position={place(x.at.x, x.at.y, x.at.z + 25)}>
          <torusGeometry args={[0.025, 0.006, 10, 24]} />
          <meshStandardMaterial color={inks.member} metalness={0.5} roughness={0.4} />
        </mesh>
      ))}
    </>
  )
}

type Seat = { from: [number, number, number]; at: [number, number, number] }
/** Where each vehicle was last looked at from, as long as the page is open. */
const seats = new Map<string, Seat>()
/** From the front and left; what stands behind the cab is looked at from behind. Three's axes, metres */
function firstSeat(assembly: Assembly, vehicle: Job['vehicle'], length: number): Seat {
  const xs = [...assembly.members.flatMap((m) => m.path.map((p) => p.x)), ...assembly.plates.map((p) => p.pose.origin.x)]
  const cab = vehicle.bodies.find((b) => b.kind === 'cab')
  const behind = xs.length > 0 && cab !== undefined && xs.reduce((s, x) => s + x, 0) / xs.length < cab.fromXMm
  return { from: [(behind ? -1 : 1) * length * 0.98, behind ? 3.9 : 4.6, length * 1.03], at: [behind ? -length * 0.08 : 0, 0.95, 0] }
}

const place = (x: number, y: number, z: number): [number, number, number] => [x / 1000, z / 1000, -y / 1000]

function Block({
  at,
  size,
  colour,
  opacity = 1,
}: {
  at: [number, number, number]
  size: [number, number, number]
  colour: string
  opacity?: number
}) {
  return (
    <mesh position={place(...at)}>
      <boxGeometry args={[size[0] / 1000, size[2] / 1000, size[1] / 1000]} />
      <meshStandardMaterial color={colour} transparent={opacity < 1} opacity={opacity} />
    </mesh>
  )
}

/** A part as the solid it is: its tube swept round its bends, its mitred ends, its plate as thick as it is. */
function Solid({ make, of, colour }: { make: () => Mesh; of: object; colour: string }) {
  // biome-ignore lint/correctness/useExhaustiveDependencies: the part is what the solid is made of
  const geometry = useMemo(() => flatGeometry(make()), [of])
  useEffect(() => () => geometry.dispose(), [geometry])
  return (
    <mesh geometry={geometry}>
      <meshStandardMaterial color={colour} metalness={0.35} roughness={0.5} side={DoubleSide} />
    </mesh>
  )
}

/** A foot from its seat to what stands on it: a pad on the body and a block between, along the way its seat looks. */
function Foot({ mount, assembly, colour }: { mount: Assembly['mounts'][number]; assembly: Assembly; colour: string }) {
  const { normal: n, place: at } = mount
  const rise = footRiseMm(mount, assembly)
  const { pad, block } = footSize(mount)
  const turn = new Quaternion().setFromUnitVectors(new Vector3(0, 1, 0), new Vector3(n.x, n.z, -n.y))
  const middle = (up: number): [number, number, number] => place(at.x + n.x * up, at.y + n.y * up, at.z + n.z * up)
  return (
    <>
      {pad && (
        <mesh position={middle(pad.z / 2)} quaternion={turn}>
          <boxGeometry args={[pad.x / 1000, pad.z / 1000, pad.y / 1000]} />
          <meshStandardMaterial color={colour} />
        </mesh>
      )}
      <mesh position={middle(rise / 2)} quaternion={turn}>
        <boxGeometry args={[block.x / 1000, rise / 1000, block.y / 1000]} />
        <meshStandardMaterial color={colour} />
      </mesh>
    </>
  )
}

/** Mesh, slats or sheet between members, see-through by its open share. */
function Fill({ infill, colour }: { infill: Infill; colour: string }) {
  const geometry = useMemo(() => {
    const made = new BufferGeometry()
    const at = infill.outline.map((p) => place(p.x, p.y, p.z))
    made.setAttribute('position', new BufferAttribute(new Float32Array(at.flat()), 3))
    made.setIndex(at.slice(2).flatMap((_, i) => [0, i + 1, i + 2]))
    made.computeVertexNormals()
    return made
  }, [infill])
  useEffect(() => () => geometry.dispose(), [geometry])
  return (
    <mesh geometry={geometry}>
      <meshStandardMaterial color={colour} transparent opacity={Math.max(0.2, 1 - infill.openShare)} side={DoubleSide} />
    </mesh>
  )
}

/** The two nearest points of a gap, seen through whatever stands before them. */
function GapMark({ gap, colour }: { gap: ShownGap; colour: string }) {
  const [a, b] = gap.at.map((p) => place(p.x, p.y, p.z)) as [[number, number, number], [number, number, number]]
  return (
    <>
      <Line points={[a, b]} color={colour} lineWidth={3} depthTest={false} />
      {[a, b].map((p, i) => (
        <mesh key={i} position={p} renderOrder={2}>
          <sphereGeometry args={[0.018, 16, 12]} />
          <meshBasicMaterial color={colour} depthTest={false} />
        </mesh>
      ))}
    </>
  )
}

/** A leaf standing open, and the paths of its far corners. */
function Leaf({ swing, colour }: { swing: Swing; colour: string }) {
  const at = (points: Vec3[]) => points.map((p) => place(p.x, p.y, p.z))
  const open = leafAt(swing, swing.opensDeg ?? 0).corners
  return (
    <>
      <Line points={at([...open, open[0]])} color={colour} lineWidth={1.5} />
      {swingPaths(swing).map(
        (path, i) =>
          path.length > 1 && <Line key={i} points={at(path)} color={colour} lineWidth={1} dashed dashSize={0.06} gapSize={0.05} />,
      )}
    </>
  )
}

/** The vehicle as a likeness in the round: painted bodies, glass, lamps, wheels with rims, and the ground under it in shade; seen `through` where something stands inside. */
function Bodies({ job, inks, through }: { job: Job; inks: Inks; through: boolean }) {
  const solid = useMemo(() => vehicleSolid(job.vehicle), [job.vehicle])
  const d = useMemo(() => drawnVehicle(job.vehicle), [job.vehicle])
  return (
    <>
      {solid.paint.map((mesh, i) => (
        <Skin key={i} mesh={mesh} colour={inks.bodyPaint} roughness={0.55} through={through} />
      ))}
      {solid.glass.map((mesh, i) => (
        <Skin key={i} mesh={mesh} colour={inks.bodyGlass} roughness={0.15} through={through} />
      ))}
      {solid.lamps.map((mesh, i) => (
        <Skin key={i} mesh={mesh} colour={inks.obstacle} roughness={0.3} />
      ))}
      {solid.wheels.flatMap((w) =>
        [-1, 1].map((side) => (
          <group
            key={`${w.x}${side}`}
            position={[w.x / 1000, WHEEL_RADIUS_MM / 1000, (side * (w.half - 105)) / 1000]}
            rotation={[Math.PI / 2, 0, 0]}
          >
            <mesh>
              <cylinderGeometry args={[WHEEL_RADIUS_MM / 1000, WHEEL_RADIUS_MM / 1000, 0.23, 40]} />
              <meshStandardMaterial color={inks.tyre} roughness={0.9} />
            </mesh>
            <mesh>
              <cylinderGeometry args={[(WHEEL_RADIUS_MM * 0.62) / 1000, (WHEEL_RADIUS_MM * 0.62) / 1000, 0.236, 32]} />
              <meshStandardMaterial color={inks.bodyPaint} metalness={0.3} roughness={0.5} />
            </mesh>
            <mesh>
              <cylinderGeometry args={[0.055, 0.055, 0.242, 20]} />
              <meshStandardMaterial color={inks.tyre} />
            </mesh>
          </group>
        )),
      )}
      <mesh rotation={[-Math.PI / 2, 0, 0]} position={[(d.rear + d.front) / 2000, 0.004, 0]}>
        <planeGeometry args={[(d.front - d.rear) / 1000 + 0.3, d.width / 1000 + 0.3]} />
        <meshBasicMaterial color={inks.tyre} transparent opacity={0.16} />
      </mesh>
    </>
  )
}

function Skin({ mesh, colour, roughness, through = false }: { mesh: Mesh; colour: string; roughness: number; through?: boolean }) {
  const geometry = useMemo(() => flatGeometry(mesh), [mesh])
  useEffect(() => () => geometry.dispose(), [geometry])
  return (
    <mesh geometry={geometry}>
      <meshStandardMaterial
        color={colour}
        roughness={roughness}
        metalness={0.05}
        side={DoubleSide}
        transparent={through}
        opacity={through ? 0.22 : 1}
        depthWrite={!through}
      />
    </mesh>
  )
}

/** A mesh in three's axes, its corners sharp: every triangle has its own. */
function flatGeometry({ positions, indices }: Mesh): BufferGeometry {
  const made = new BufferGeometry()
  const turned = new Float32Array(positions.length)
  for (let i = 0; i < positions.length; i += 3) turned.set(place(positions[i], positions[i + 1], positions[i + 2]), i)
  made.setAttribute('position', new BufferAttribute(turned, 3))
  made.setIndex(indices)
  const flat = made.toNonIndexed()
  flat.computeVertexNormals()
  made.dispose()
  return flat
}
