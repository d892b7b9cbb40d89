import { type Assembly, assemblyMassKg, coatedAreaM2, plateMassKg } from '../assembly/assembly'
import { footTypes } from '../catalogue/mounts'
import { cutList } from '../cutList/cutList'
import { stops } from '../cutList/stops'
import { liftPlan } from '../lift/lift'
import type { Rules } from '../rules/rules'
import { tubePart } from '../tube/tubeParts'
import { closedTubes, weldMap } from '../weldMap/weldMap'
import { bendSheet } from '../workshop/bendSheet'
import { learned } from '../workshop/learned'
import type { Workshop } from '../workshop/workshop'

/** One step of the build. `needs` = steps that come before it; a gate is signed before anything that needs it begins. Minutes of work, hours of waiting after. */
export type BuildStep = {
  id: string
  title: string
  why: string
  marks: string[]
  minutes: number
  people: number
  tools: string[]
  caution: string | null
  needs: string[]
  gate: boolean
  waitHours: number
}
export type BuildPlan = { steps: BuildStep[]; workMinutes: number; waitHours: number }
export type BuildGiven = {
  pieces: { assembly: Assembly; finish: 'raw' | 'painted' | 'powder' | null }[]
  assembly: Assembly
  workshop: Workshop
  rules: Rules
}

const SHOULDER_MM = 1400
/** A blank heavier than this is held by a second person while it is folded; the shop's own. */
const HELD_KG = 8

/**
 * The order of work, derived from what is built: its parts, joints, holes, coat and mounts. A step is there because a fact of the assembly asks for it, and
 * says which. Minutes by the shop's own times. Nothing to build gives no step.
 */
export function buildPlan(given: BuildGiven): BuildPlan {
  const { assembly: a } = given
  if (!a.members.length && !a.plates.length && !a.mounts.length) return { steps: [], workMinutes: 0, waitHours: 0 }
  const steps = [...buying(given), ...making(given), ...joining(given), ...coating(given), ...fitting(given)]
  // what a step needs and this build does not have is no need
  const there = new Set(steps.map((s) => s.id))
  const all = steps.map((s) => ({ ...s, needs: s.needs.filter((n) => there.has(n)) }))
  return { steps: all, workMinutes: all.reduce((s, x) => s + x.minutes, 0), waitHours: all.reduce((s, x) => s + x.waitHours, 0) }
}

const step = (id: string, title: string, why: string, over: Partial<BuildStep>): BuildStep => ({
  id,
  title,
  why,
  marks: [],
  minutes: 0,
  people: 1,
  tools: [],
  caution: null,
  needs: [],
  gate: false,
  waitHours: 0,
  ...over,
})

function buying({ assembly: a, rules }: BuildGiven): BuildStep[] {
  const bought = a.hardware.reduce((s, h) => s + h.quantity, 0) + a.fittings.filter((f) => !f.there).length
  const sections = new Set(a.members.map((m) => m.profileId)).size
  const sheets = new Set(a.plates.map((p) => `${p.materialId} ${p.thicknessMm}`)).size
  const kinds = [
    ...(sections ? [`${sections} ${sections === 1 ? 'section' : 'sections'}`] : []),
    ...(sheets ? [`sheet of ${sheets} ${sheets === 1 ? 'kind' : 'kinds'}`] : []),
  ]
  return [
    step('buy', 'Order what is bought', [...kinds, `${bought} small parts`].join(', '), {
      minutes: 20,
      waitHours: rules.leadDays * 24,
    }),
    step('receive', 'Receive and check', 'sections, walls and alloy against the list, before anything is cut', {
      minutes: 15,
      tools: ['calliper', 'tape'],
      needs: ['buy'],
    }),
    step('kit', 'Everything is here', 'a nut that is missing on the day moves the day', { minutes: 10, needs: ['receive'], gate: true }),
  ]
}

function making({ assembly: a, workshop, rules }: BuildGiven): BuildStep[] {
  const parts = cutList(a)
  const settings = stops(parts, workshop.saws)
  const tubes = a.members.map((m) => tubePart(m, a))
  const bent = tubes.filter((t) => t.member.path.length > 2)
  const saddled = tubes.filter((t) => t.ends.some((e) => e.kind === 'cope'))
  const untried = bent.filter((t) => {
    const sheet = bendSheet(t, workshop)
    return !sheet?.die || !learned(sheet.die)
  })
  const cuts = settings.reduce((s, x) => s + x.cuts, 0)
  const folded = a.plates.filter((p) => p.bends.length)
  const folds = folded.reduce((s, p) => s + p.bends.length, 0)
  const holes = a.plates.reduce((s, p) => s + p.holes.length, 0) + a.joints.reduce((s, j) => s + (j.bolts ? j.bolts.count * 2 : 0), 0)
  const marks = (list: { member: { mark: string } }[]) => [...new Set(list.map((t) => t.member.mark))]
  const first = firstOfMany(a)
  return [
    ...(untried.length
      ? [
          step('trial-bend', 'Bend a trial piece', 'nobody has tried this die with this tube: what it springs back by moves every mark', {
            minutes: 20,
            marks: marks(untried),
            tools: ['bender', 'angle finder'],
            needs: ['kit'],
            gate: true,
          }),
        ]
      : []),
    ...(a.members.length
      ? [
          step('cut', 'Cut to length', `${settings.length} stop settings, longest first; the first piece of each is checked`, {
            minutes: cuts * rules.cutMin,
            marks: parts.flatMap((p) => p.marks),
            tools: ['saw', 'stop', 'tape', 'file'],
            caution: 'Eye and ear protection; long tube is held at both sides of the blade.',
            needs: ['kit', 'trial-bend'],
          }),
        ]
      : []),
    ...(bent.length
      ? [
          step('bend', 'Bend', 'by the marks of the bend sheet, in its order', {
            minutes: bent.reduce((s, t) => s + (t.bent?.bends.length ?? 0), 0) * rules.bendMin,
            marks: marks(bent),
            tools: ['bender', 'angle finder', 'bend sheet'],
            caution: 'Keep hands out of the die, and the swing of the tube clear of people.',
            needs: ['cut'],
          }),
        ]
      : []),
    ...(saddled.length
      ? [
          step(
            'saddle',
            'Cut the saddles',
            'both templates of a tube are set by one line along it, so that they are not turned against each other',
            {
              minutes: saddled.reduce((s, t) => s + t.ends.filter((e) => e.kind === 'cope').length, 0) * rules.saddleMin,
              marks: marks(saddled),
              tools: ['hole saw or grinder', 'templates', 'round file'],
              caution: 'A hole saw that grabs turns the tube: clamp it.',
              needs: ['cut', 'bend'],
            },
          ),
        ]
      : []),
    ...(a.plates.length
      ? [
          step(
            'plates',
            'Cut the flat parts',
            `${a.plates.length} of them, by the nests; every fold line is marked on the face that is laid up`,
            {
              minutes: a.plates.length * rules.plateMin,
              marks: [...new Set(a.plates.map((p) => p.mark))],
              tools: ['shear or table', 'scriber', 'file'],
              caution: 'Cut edges of sheet cut hands: gloves, and break every edge.',
              needs: ['kit'],
            },
          ),
        ]
      : []),
    ...(folds
      ? [
          step('trial-fold', 'Fold an offcut', 'of the same sheet on the same tool: what it gains moves every line', {
            minutes: 10,
            tools: ['brake', 'calliper'],
            needs: ['plates'],
            gate: true,
          }),
          step('fold', 'Fold', `${folds} folds, in the order of the numbers on each fold sheet`, {
            minutes: folds * rules.foldMin,
            marks: [...new Set(folded.map((p) => p.mark))],
            people: folded.some((p) => plateMassKg(p) > HELD_KG) ? 2 : 1,
            tools: ['brake', 'square', 'fold sheet'],
            caution: 'Keep fingers out of the brake and away from where a flange swings up.',
            needs: ['plates', 'trial-fold'],
          }),
        ]
      : []),
    ...(holes
      ? [
          step('drill', 'Drill', `${holes} holes; a hole and its mate are drilled from one mark`, {
            minutes: holes * rules.holeMin,
            tools: ['drill', 'centre punch', 'deburrer'],
            needs: ['cut', 'plates', 'bend'],
          }),
        ]
      : []),
    ...(first
      ? [
          step('first-off', 'One of the batch first', `${first.count} are alike: one is made and tried before the rest`, {
            minutes: 10,
            marks: first.marks,
            needs: ['cut', 'saddle', 'drill'],
            gate: true,
          }),
        ]
      : []),
  ]
}

/** Four or more alike parts with work at their ends are tried on one first. */
function firstOfMany(a: Assembly): { count: number; marks: string[] } | null {
  const many = cutList(a).filter((p) => p.quantity >= 4 && !p.endTexts.every((t) => t.startsWith('square')))
  const most = many.sort((p, q) => q.quantity - p.quantity)[0]
  return most ? { count: most.quantity, marks: most.marks.slice(0, 1) } : null
}

function joining({ assembly: a, workshop, rules }: BuildGiven): BuildStep[] {
  const map = weldMap(a, workshop.welders, rules)
  const closed = closedTubes(a)
  const bolts = a.joints.filter((j) => j.bolts).reduce((s, j) => s + (j.bolts?.count ?? 0), 0)
  if (!map.seams.length)
    return bolts
      ? [
          step('assemble', 'Bolt it together, loose', `${bolts} bolts, none tight yet`, {
            minutes: bolts * rules.boltMin,
            tools: ['spanners'],
            needs: ['cut', 'drill', 'plates', 'fold'],
          }),
        ]
      : []
  const made = ['cut', 'bend', 'saddle', 'plates', 'fold', 'drill', 'first-off']
  return [
    ...(closed.length
      ? [
          step('vents', 'Vent closed tubes', 'a tube shut at both ends bursts in an oven and rots on the road', {
            minutes: closed.length * rules.holeMin,
            marks: closed,
            tools: ['drill, 6 mm'],
            caution: 'A closed tube that is heated can burst: no weld shuts the last opening before its vent is drilled.',
            needs: made,
            gate: true,
          }),
        ]
      : []),
    step('tack', 'Tack on the jig', `${map.seams.reduce((s, x) => s + x.tacks, 0)} tacks, opposite ones first`, {
      minutes: map.seams.length * rules.weldSetUpMin,
      tools: [...new Set(map.seams.map((s) => s.process)), 'jig', 'clamps'],
      caution: 'Welding is for people trained in it; galvanised or coated metal is bared and the air moved first.',
      needs: [...made, 'vents'],
    }),
    step('measure', 'Measure before it is welded out', 'widths, both diagonals and twist are still free to change', {
      minutes: 15,
      tools: ['tape', 'level'],
      needs: ['tack'],
      gate: true,
    }),
    step('trial-fit', 'Try it on the vehicle', 'what does not fit now is a tack to break, later a weld', {
      minutes: 25,
      people: 2,
      needs: ['measure'],
      gate: true,
    }),
    step('weld', 'Weld out', `${map.seams.length} welds in the order of their numbers`, {
      minutes: map.minutes - map.seams.length * rules.weldSetUpMin,
      tools: [...new Set(map.seams.map((s) => s.process))],
      caution:
        'On the vehicle only with battery isolated, alternator unplugged, glass, fuel and linings covered, and somebody on fire watch.',
      needs: ['trial-fit'],
    }),
    step('straighten', 'Check and straighten', 'the same measures as before: welding pulls', {
      minutes: 20,
      tools: ['tape', 'level'],
      needs: ['weld'],
      gate: true,
    }),
  ]
}

function coating({ pieces, rules }: BuildGiven): BuildStep[] {
  const area = (finish: 'painted' | 'powder') => pieces.filter((p) => p.finish === finish).reduce((s, p) => s + coatedAreaM2(p.assembly), 0)
  const [painted, powder] = [area('painted'), area('powder')]
  if (painted + powder === 0) return []
  const before = ['straighten', 'weld', 'drill', 'cut', 'plates', 'fold']
  return [
    step('prepare', 'Degrease, abrade, mask', 'threads, bearing faces and earthing points stay bare', {
      minutes: (painted + powder) * rules.prepMinM2,
      tools: ['degreaser', 'abrasive', 'plugs and tape'],
      caution: 'Solvent and dust: gloves, mask and moving air.',
      needs: before,
    }),
    ...(powder
      ? [
          step('powder', 'Powder coat', `${powder.toFixed(1)} m² go to the coater`, {
            minutes: 30,
            waitHours: rules.coaterDays * 24,
            needs: ['prepare', 'vents'],
          }),
        ]
      : []),
    ...(painted
      ? [
          step('paint', `Prime and paint, ${rules.coats} coats`, `${painted.toFixed(1)} m², face by face`, {
            minutes: painted * rules.coatMinM2 * rules.coats,
            waitHours: (rules.coats - 1) * rules.recoatHours + rules.cureHours,
            caution: 'Spray only with the mask and air that its maker’s sheet asks for.',
            needs: ['prepare'],
          }),
        ]
      : []),
  ]
}

function fitting({ assembly: a, rules }: BuildGiven): BuildStep[] {
  const drilled = a.mounts.filter((m) => footTypes[m.kind].drilled)
  const wired = a.fittings.filter((f) => /lamp|winch/i.test(f.name))
  const caps = a.hardware.some((h) => h.part.kind === 'end cap')
  const top = Math.max(0, ...a.mounts.map((m) => m.place.z))
  const mass = assemblyMassKg(a)
  const lift = mass === null ? null : liftPlan(mass, top, rules.liftKg, SHOULDER_MM)
  const made = ['assemble', 'straighten', 'powder', 'paint', 'cut', 'fold']
  const bolts = a.joints.filter((j) => j.bolts).reduce((s, j) => s + (j.bolts?.count ?? 0), 0)
  return [
    ...(caps
      ? [
          step('captive', 'Put in what cannot go in later', 'caps, captive nuts and plates, before the last end is shut', {
            minutes: 10,
            needs: made,
          }),
        ]
      : []),
    ...(drilled.length
      ? [
          step('behind', 'Look behind every hole', 'airbags, wiring, fuel and brake lines lie behind sheet', {
            minutes: 20,
            marks: drilled.map((m) => m.mark),
            caution: 'Nothing is drilled that nobody has looked behind.',
            gate: true,
            needs: made,
          }),
          step('drill-vehicle', 'Drill the vehicle and seal', `${drilled.length} places, from a template of the piece itself`, {
            minutes: drilled.length * 2 * rules.holeMin + drilled.length * 4,
            marks: drilled.map((m) => m.mark),
            tools: ['template', 'drill', 'zinc primer', 'sealant'],
            needs: ['behind'],
          }),
        ]
      : []),
    ...(a.mounts.length
      ? [
          step('lift', 'Lift it on', lift ? `${lift.says}, to ${(top / 1000).toFixed(1)} m` : 'its mass is not known: weigh it first', {
            minutes: 15,
            people: lift ? lift.people : 2,
            caution: lift?.hoist || top > SHOULDER_MM ? 'Roof work: firm footing, nobody under the load.' : null,
            needs: [...made, 'captive', 'drill-vehicle'],
            gate: lift === null,
          }),
          step('fit', 'Set the feet, loose, align, then torque', `${a.mounts.length} feet; all stand before one is tight`, {
            minutes: a.mounts.length * rules.footMin + bolts * rules.boltMin,
            marks: a.mounts.map((m) => m.mark),
            tools: ['torque wrench'],
            needs: ['lift'],
          }),
        ]
      : []),
    ...(wired.length
      ? [
          step('wire', 'Wire and fuse', `${wired.map((f) => f.mark).join(', ')}: fuse at the battery, cable clear of edges`, {
            minutes: 40 + 15 * wired.length,
            marks: wired.map((f) => f.mark),
            caution: 'Battery off first; who wires a vehicle is trained for it.',
            needs: ['fit'],
          }),
        ]
      : []),
    step('load-test', 'Load it and look', 'sag under a known load against what was computed', { minutes: 30, needs: ['fit'], gate: true }),
    step('road', 'Drive it', 'slow, rough, then at speed: noise, movement, clearance', { minutes: 30, needs: ['load-test', 'wire'] }),
    step('recheck', 'Torque again', 'after the first drives; the day stands in the hand-over', {
      minutes: 15,
      tools: ['torque wrench'],
      needs: ['road'],
      waitHours: 24 * 7,
    }),
  ]
}

/** What a step was when it was ticked: the same words and parts give the same mark. */
export function stepMark(s: BuildStep): string {
  const text = [s.title, s.why, ...s.marks, s.minutes.toFixed(1)].join('|')
  let hash = 5381
  for (let i = 0; i < text.length; i++) hash = (hash * 33 + text.charCodeAt(i)) % 4294967296
  return hash.toString(16)
}

export type StepState = { step: BuildStep; done: { on: string; changed: boolean } | null; waitsFor: string[] }
/** Each step with whether it is done, whether it has changed since, and which steps it still waits for. */
export function stepStates(plan: BuildPlan, built: Record<string, { on: string; was: string }>): StepState[] {
  const done = (id: string) => built[id] !== undefined
  return plan.steps.map((s) => {
    const mine = built[s.id]
    return {
      step: s,
      done: mine ? { on: mine.on, changed: mine.was !== stepMark(s) } : null,
      waitsFor: s.needs.filter((n) => !done(n)).map((n) => plan.steps.find((o) => o.id === n)?.title ?? n),
    }
  })
}
