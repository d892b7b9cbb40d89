import { assemblyMassKg } from '../assembly/assembly'
import { footTypes } from '../catalogue/mounts'
import { liftPlan } from '../lift/lift'
import { DRIVEN_DAYS, isShaken } from '../loadTest/namedTests'
import { whereIs } from '../places/places'
import { counted } from '../quantity/counted'
import { recheckWords, tightenedFirst } from './reaching'
import { type BuildGiven, type BuildStep, step } from './step'

const SHOULDER_MM = 1400

/** Onto the vehicle: looked behind, drilled, lifted, torqued, wired, tried and torqued again. */
export function fitting({ assembly: a, stops, rules, loadClass = null, reach }: BuildGiven): BuildStep[] {
  const drilled = a.mounts.filter((m) => footTypes[m.kind].drilled)
  const wired = a.fittings.filter((f) => /lamp|winch/i.test(f.name))
  const caps = a.hardware.some((h) => h.part.kind === 'end cap')
  const top = Math.max(0, ...a.mounts.map((m) => m.place.z))
  const mass = assemblyMassKg(a)
  const lift = mass === null ? null : liftPlan(mass, top, rules.liftKg, SHOULDER_MM)
  // what is welded was lifted on once already, to try it
  const tried = a.joints.some((j) => j.kind === 'weld')
  // what nobody holds up alone is not held up again to mark its holes
  const heavy = lift === null || lift.people > 1
  const made = ['assemble', 'straighten', 'powder', 'paint', 'cut', 'fold']
  const inside = a.mounts.length > 0 && a.mounts.every((m) => whereIs(m.placeId) === 'inside')
  const nuts = a.mounts.filter((m) => footTypes[m.kind].nut === 'rivet nut').length
  const bolts = a.joints.filter((j) => j.bolts).reduce((s, j) => s + (j.bolts?.count ?? 0), 0)
  return [
    ...tightenedFirst(reach),
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
          ...(heavy && !tried
            ? [
                step('template', 'Make a template of its feet', 'its holes are set out from that, so that it is lifted once', {
                  minutes: 10 + 2 * drilled.length,
                  marks: drilled.map((m) => m.mark),
                  tools: ['hardboard', 'transfer punches'],
                  needs: made,
                }),
              ]
            : []),
          step('behind', 'Look behind every hole', 'airbags, wiring, fuel and brake lines lie behind sheet', {
            place: 'vehicle',
            minutes: 20,
            marks: drilled.map((m) => m.mark),
            caution: 'Nothing is drilled that nobody has looked behind.',
            gate: true,
            needs: made,
          }),
          step(
            'drill-vehicle',
            'Drill the vehicle and seal',
            `${drilled.length} places, ${tried ? 'where they were marked at the trial fit' : 'from a template of the piece itself'}${nuts ? `; ${counted(nuts, 'rivet nut')} set, each tried with its screw` : ''}`,
            {
              place: 'vehicle',
              minutes: drilled.length * 2 * rules.holeMin + drilled.length * 4,
              marks: drilled.map((m) => m.mark),
              tools: ['template', 'drill', 'zinc primer', 'sealant'],
              needs: ['behind', 'template'],
            },
          ),
        ]
      : []),
    ...(a.mounts.length
      ? [
          step(
            'lift',
            inside ? 'Hold it in place' : 'Lift it on',
            `${lift ? `${lift.says}, to ${(top / 1000).toFixed(1)} m` : 'its mass is not known: weigh it first'}${tried && heavy ? '; the second lift, after the trial fit' : ''}`,
            {
              place: 'vehicle',
              minutes: 15,
              people: lift ? lift.people : 2,
              caution: inside
                ? 'It is held until two screws are in: what slips cuts.'
                : lift?.hoist || top > SHOULDER_MM
                  ? 'Roof work: firm footing, nobody under the load.'
                  : null,
              needs: [...made, 'captive', 'drill-vehicle', 'tighten-first'],
              gate: lift === null,
            },
          ),
          step('fit', 'Set the feet, loose, align, then torque', `${a.mounts.length} feet; all stand before one is tight`, {
            place: 'vehicle',
            minutes: a.mounts.length * rules.footMin + bolts * rules.boltMin,
            marks: a.mounts.map((m) => m.mark),
            tools: ['torque wrench'],
            needs: ['lift'],
          }),
        ]
      : []),
    ...(stops.length
      ? [
          step('stops', 'Fit the stops', stops.map((s) => `${s.name} at ${s.unit === '°' ? `${s.at}°` : `{${s.at}}`}`).join(', '), {
            place: 'vehicle',
            minutes: 20 * stops.length,
            tools: ['angle finder or tape'],
            caution: 'Until its stop is in, it is opened by hand and no farther.',
            needs: ['fit', 'assemble'],
            gate: true,
          }),
        ]
      : []),
    ...(wired.length
      ? [
          step('wire', 'Wire and fuse', `${wired.map((f) => f.mark).join(', ')}: fuse at the battery, cable clear of edges`, {
            place: 'vehicle',
            minutes: 40 + 15 * wired.length,
            marks: wired.map((f) => f.mark),
            caution: 'Battery off first; who wires a vehicle is trained for it.',
            needs: ['fit'],
          }),
        ]
      : []),
    ...(!isShaken(loadClass)
      ? []
      : [
          step(
            'shake',
            'Shake it by hand',
            'from both sides, the front and the rear, empty: what clicks or gives is found before it is loaded',
            {
              place: 'vehicle',
              minutes: 10,
              needs: ['fit', 'stops'],
            },
          ),
        ]),
    step('load-test', 'Load it and look', 'sag under a known load against what was computed', {
      place: 'vehicle',
      minutes: 30,
      needs: ['fit', 'stops', 'shake'],
      gate: true,
    }),
    step('road', 'Drive it', 'slow, rough, then at speed: noise, movement, clearance', {
      place: 'vehicle',
      minutes: 30,
      needs: ['load-test', 'wire'],
      // it is driven before its bolts are looked at again
      waitHours: 24 * DRIVEN_DAYS,
    }),
    step(
      'recheck',
      'Torque again',
      ['after the first drives; the day stands in the hand-over', recheckWords(reach)].filter(Boolean).join('. '),
      {
        place: 'vehicle',
        afterHandOver: true,
        minutes: 15,
        tools: ['torque wrench'],
        needs: ['road'],
      },
    ),
  ]
}
