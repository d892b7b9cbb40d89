import { type Assembly, plateMassKg } from '../assembly/assembly'
import { cutList } from '../cutList/cutList'
import { stops } from '../cutList/stops'
import { jointPlaces } from '../drilling/holes'
import { answeredDays, byWhom, takesAll } from '../outside/standing'
import { tubePart } from '../tube/tubeParts'
import { bendSheet } from '../workshop/bendSheet'
import { isCutHole } from '../workshop/cutHole'
import { learned } from '../workshop/learned'
import { type BuildGiven, type BuildStep, step } from './step'

/** A blank heavier than this is held by a second person while it is folded; the shop's own. */
const HELD_KG = 8

/** Of the time to cut a flat part, what checking and deburring one that comes cut takes; the shop's own. */
const CHECKED = 0.25

/** Parts made one by one: cut, bent, saddled, folded, drilled; trial pieces before, and the first of a batch before the rest. */
export function making({ assembly: a, workshop, rules, outside = {} }: BuildGiven): BuildStep[] {
  const laser = takesAll(outside.laser)
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
  // what the table cuts is not drilled
  const small = a.plates.flatMap((p) => p.holes.filter((h) => !isCutHole(h, p.thicknessMm, rules))).length
  const holes = small + jointPlaces(a).reduce((s, p) => s + p.count * p.layers.length, 0)
  const marks = (list: { member: { mark: string } }[]) => [...new Set(list.map((t) => t.member.mark))]
  const first = firstOfMany(a)
  return [
    ...(untried.length
      ? [
          step('trial-bend', 'Bend a trial piece', 'nobody has tried this die with this tube: what it springs back by moves every mark', {
            place: 'bender',
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
            place: 'saw',
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
            place: 'bender',
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
              place: 'drill',
              minutes: saddled.reduce((s, t) => s + t.ends.filter((e) => e.kind === 'cope').length, 0) * rules.saddleMin,
              marks: marks(saddled),
              tools: ['hole saw or grinder', 'templates', 'round file'],
              caution: 'A hole saw that grabs turns the tube: clamp it.',
              needs: ['cut', 'bend'],
            },
          ),
        ]
      : []),
    ...(a.plates.length && laser
      ? [
          step(
            'plates',
            `Flat parts from the laser, ${byWhom(laser)}`,
            `${a.plates.length} of them; the marked face is looked at as they come`,
            {
              minutes: a.plates.length * rules.plateMin * CHECKED,
              waitHours: (answeredDays(laser) ?? 0) * 24,
              marks: [...new Set(a.plates.map((p) => p.mark))],
              tools: ['calliper', 'scriber', 'file'],
              caution: 'Cut edges of sheet cut hands: gloves, and break every edge.',
              needs: ['kit'],
            },
          ),
        ]
      : []),
    ...(a.plates.length && !laser
      ? [
          step(
            'plates',
            'Cut the flat parts',
            `${a.plates.length} of them, by the nests; every fold line is marked on the face that is laid up`,
            {
              place: 'table',
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
            place: 'brake',
            minutes: 10,
            tools: ['brake', 'calliper'],
            needs: ['plates'],
            gate: true,
          }),
          step('fold', 'Fold', `${folds} folds, in the order of the numbers on each fold sheet`, {
            place: 'brake',
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
            place: 'drill',
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
