import { useTheme } from '@mui/material/styles'
import { Line, OrbitControls } from '@react-three/drei'
import { Canvas } from '@react-three/fiber'
import { useMemo } from 'react'
import { Shape, Vector3 } from 'three'
import type { Assembly, Member } from '../../core/assembly/assembly'
import { profileOf, profileSection } from '../../core/catalogue/profiles'
import { vehicleOutline } from '../../core/drawing/vehicleOutline'
import type { Vec3 } from '../../core/geometry/vec3'
import type { Job } from '../../core/job/job'
import { leafAt, swingPaths, swingsOf } from '../../core/vehicle/swings'
import type { Swing } from '../../core/vehicle/vehicle'
import type { LimitState } from '../limits/states'

type Props = {
  job: Job
  assembly: Assembly
  when: 'driving' | 'parked'
  marks: Map<string, LimitState>
  /** centre lines as a load case moves them, drawn larger than life */
  strained: { memberId: string; moved: Vec3[] }[]
}

/** The assembly in the round. Vehicle axes (x forward, y left, z up) are three's with y and z changed over; metres. */
export default function Scene({ job, assembly, when, marks, strained }: Props) {
  const { inks } = useTheme()
  const length = (job.vehicle.lengthMm.value ?? 5400) / 1000
  const cargo = job.brief.cargo.filter((c) => c.counts === 'both' || c.counts === when)
  const deck = assembly.deckZMm ?? job.vehicle.roofHeightMm.value ?? 0
  const colour = (ref: string, plain: string) => (marks.get(ref) === 'over' ? inks.signal : marks.get(ref) === 'near' ? inks.near : plain)
  return (
    <Canvas
      frameloop="demand"
      camera={{ position: [length * 0.9, 4.6, length * 0.95], fov: 38, near: 0.1, far: 100 }}
      style={{ height: '100%' }}
      aria-label="3D view: drag to turn, scroll to come nearer"
      role="img"
    >
      <color attach="background" args={[inks.sheet]} />
      <ambientLight intensity={1.4} />
      <directionalLight position={[4, 9, 6]} intensity={1.6} />
      <group position={[-length / 2 + (job.vehicle.rearOverhangMm.value ?? 1100) / 1000, 0, 0]}>
        <Bodies job={job} colour={inks.vehicle} />
        {assembly.members.map((m) => (
          <Bar key={m.id} member={m} colour={colour(m.id, inks.waterDeep)} />
        ))}
        {assembly.mounts.map((m) => {
          const bar = assembly.members.find((b) => b.id === m.memberId)
          const top = bar ? bar.path[0].z - profileSection(bar.profileId).heightMm / 2 : m.place.z
          return (
            <Block
              key={m.id}
              at={[m.place.x, m.place.y, (m.place.z + top) / 2]}
              size={[80, 46, Math.max(10, top - m.place.z)]}
              colour={colour(m.id, inks.member)}
            />
          )
        })}
        {assembly.plates
          .filter((p) => p.role === 'fairing')
          .map((p) => (
            <mesh key={p.id} position={place(p.place.x, p.place.y, p.place.z)} rotation={[0, 0, -Math.PI / 4]}>
              <boxGeometry args={[Math.hypot(p.size.x, p.size.z) / 1000, 0.004, p.size.y / 1000]} />
              <meshStandardMaterial color={inks.memberFill} />
            </mesh>
          ))}
        {assembly.plates
          .filter((p) => p.role === 'gusset')
          .map((p) => (
            <Block key={p.id} at={[p.place.x, p.place.y, p.place.z]} size={[p.size.x, p.size.y, p.size.z]} colour={inks.memberFill} />
          ))}
        {cargo.map((c) => (
          <Block
            key={c.id}
            at={[c.xMm, c.yMm, deck + c.heightMm / 2]}
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
        {swingsOf(job.vehicle).map((s) => (
          <Leaf key={s.id} swing={s} colour={inks.obstacle} />
        ))}
      </group>
      <gridHelper args={[12, 24, inks.line, inks.line]} />
      <OrbitControls makeDefault target={[0, 1.5, 0]} maxPolarAngle={Math.PI / 2} />
    </Canvas>
  )
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

function Bar({ member, colour }: { member: Member; colour: string }) {
  const section = profileSection(member.profileId)
  const round = profileOf(member.profileId).shape.kind === 'round'
  const [a, b] = [member.path[0], member.path[member.path.length - 1]].map((p) => new Vector3(...place(p.x, p.y, p.z)))
  const length = a.distanceTo(b)
  const middle = a.clone().add(b).multiplyScalar(0.5)
  const turn = Math.atan2(b.x - a.x, b.z - a.z)
  return (
    <group position={middle} rotation={[0, turn, 0]}>
      <mesh rotation={round ? [Math.PI / 2, 0, 0] : [0, 0, 0]}>
        {round ? (
          <cylinderGeometry args={[section.heightMm / 2000, section.heightMm / 2000, length, 24]} />
        ) : (
          <boxGeometry args={[section.widthMm / 1000, section.heightMm / 1000, length]} />
        )}
        <meshStandardMaterial color={colour} metalness={0.35} roughness={0.5} />
      </mesh>
    </group>
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

/** Each body drawn out to its own width; a vehicle of one body by its side outline: a likeness, like the flat views. */
function Bodies({ job, colour }: { job: Job; colour: string }) {
  if (!job.vehicle.bodies.length) return <Body job={job} colour={colour} />
  const outline = vehicleOutline(job.vehicle, 'side')
  const shapes = outline.flatMap((e) => (e.kind === 'polygon' ? [e.points] : []))
  const wheels = outline.flatMap((e) => (e.kind === 'circle' ? [{ x: e.centre.x / 1000, r: e.radius / 1000 }] : []))
  const width = (job.vehicle.widthMm.value ?? 1860) / 1000
  return (
    <>
      {job.vehicle.bodies.map((b, i) => (
        <mesh key={b.id} position={[0, 0, -b.widthMm / 2000]}>
          <extrudeGeometry args={[outlineShape(shapes[i] ?? []), { depth: b.widthMm / 1000, bevelEnabled: false }]} />
          <meshStandardMaterial color={colour} transparent opacity={0.5} />
        </mesh>
      ))}
      <Wheels wheels={wheels} width={width} />
    </>
  )
}

const outlineShape = (points: { x: number; y: number }[]): Shape => {
  const made = new Shape()
  points.forEach((p, i) => {
    if (i) made.lineTo(p.x / 1000, p.y / 1000)
    else made.moveTo(p.x / 1000, p.y / 1000)
  })
  return made
}

function Wheels({ wheels, width }: { wheels: { x: number; r: number }[]; width: number }) {
  return wheels.flatMap((w) =>
    [-1, 1].map((side) => (
      <mesh key={`${w.x}${side}`} position={[w.x, w.r, side * (width / 2 - 0.12)]} rotation={[Math.PI / 2, 0, 0]}>
        <cylinderGeometry args={[w.r, w.r, 0.22, 28]} />
        <meshStandardMaterial color="#3a4443" />
      </mesh>
    )),
  )
}

/** The side outline drawn out to the vehicle's width, see-through: a likeness, like the flat views. */
function Body({ job, colour }: { job: Job; colour: string }) {
  const width = ((job.vehicle.widthMm.value ?? 1950) - 60) / 1000
  const { shape, wheels } = useMemo(() => {
    const outline = vehicleOutline(job.vehicle, 'side')
    const body = outline.find((e) => e.kind === 'polygon')
    const points = body?.kind === 'polygon' ? body.points : []
    return {
      shape: outlineShape(points),
      wheels: outline.flatMap((e) => (e.kind === 'circle' ? [{ x: e.centre.x / 1000, r: e.radius / 1000 }] : [])),
    }
  }, [job.vehicle])
  const taper = (job.vehicle.roofWidthRearMm.value ?? 1700) / (job.vehicle.widthMm.value ?? 1950)
  return (
    <>
      <mesh position={[0, 0, (-width * taper) / 2]}>
        <extrudeGeometry args={[shape, { depth: width * taper, bevelEnabled: false }]} />
        <meshStandardMaterial color={colour} transparent opacity={0.5} />
      </mesh>
      <Wheels wheels={wheels} width={width} />
    </>
  )
}
