import type { Issue } from './issue'

type Show = (lengthMm: number) => string
type Messages = { [C in Issue['code']]: (issue: Extract<Issue, { code: C }>, mm: Show) => string }

/** One sentence a code: what is wrong and what to change. */
const messages: Messages = {
  piece_unknown: (i) =>
    `${i.piece}: this version of Tide Line does not know the family “${i.family}”. It is kept as it came, and counted nowhere: open the job with a newer version.`,
  piece_on_gone: (i) => `${i.piece} stands on a piece that is no longer there: choose what it stands on.`,
  piece_on_nothing: (i) => `${i.piece} stands on ${i.other}, which is put away or has no parts: fit that first, or choose another.`,
  piece_circle: (i) => `${i.piece} and ${i.other} stand on each other: choose what one of them stands on.`,
  piece_does_not_fit: (i) => `${i.piece} does not fit this vehicle: ${i.says}.`,
  pieces_meet: (i) => `${i.piece} runs into ${i.other}: ${i.part} meets ${i.otherPart}. Move one of them.`,
  load_on_gone: (i) => `${i.item} lies on something that is no longer there: choose what it lies on.`,
  load_bridges: (i, mm) =>
    `${i.item} lies over the ${i.one} and the ${i.other}, which ${i.movesMm === null ? 'move against each other by nobody knows how much' : `move against each other by ${mm(i.movesMm)}`}: strap it, never bolt it${i.bolted ? '; it is said to be bolted' : ''}.`,
  load_one_body: (i) => `${i.item}: its maker wants it on one body, and it lies over two. Choose one support for it.`,
  use_not_agreed: (i) =>
    `${i.item} is ${i.use}, which was not agreed at intake: agree it under Brief, or leave it off. Every check it touches is open until then.`,
  shape: (i, mm) => `${i.says.replace(/\{([\d.-]+)\}/g, (_, v: string) => mm(Number(v)))}.`,
  no_mount_line: () => 'The vehicle has nowhere to stand a foot: add a mount line at Measure.',
  no_bars: () => 'There are no crossbars yet: add two or more.',
  bar_off_mount: (i, mm) => `Bar ${i.bar + 1} at ${mm(i.xMm)} has no mount below it: the nearest is at ${mm(i.nearestMm)}.`,
  bars_too_close: (i, mm) => `Bars ${i.bar + 1} and ${i.bar + 2} are ${mm(i.gapMm)} apart: their feet need ${mm(i.leastMm)}.`,
  bar_too_short: (i, mm) => `Bar ${i.bar + 1} would be ${mm(i.lengthMm)} long: reduce the bracket step or widen the overhang.`,
  bar_hits_obstacle: (i, mm) => `Bar ${i.bar + 1} fouls the ${i.obstacle} by ${mm(-i.clearMm)}: move the bar or raise the feet.`,
  bar_near_obstacle: (i, mm) =>
    `Bar ${i.bar + 1} leaves ${mm(i.clearMm)} over the ${i.obstacle}, which needs ${mm(i.needMm)}${i.opens ? ' to open' : ''}: move the bar or raise the feet.`,
  load_on_nothing: (i) => `${i.item} rests on no bar: move it over the bars or move the bars under it.`,
  load_on_one_bar: (i) => `${i.item} rests on one bar only and can pivot on it: bring a second bar under it.`,
  load_hangs_outside: (i, mm) =>
    `${i.item} hangs past the ends of its bars by ${mm(i.outsideMm)}: its moment there is counted. Make the bars longer, or move it in.`,
  load_too_large: (i, mm) =>
    `${i.item} does not go in: ${i.box} has ${mm(i.room.x)} along, ${mm(i.room.y)} across and ${mm(i.room.z)} of height clear. Turn it, take out a divider, or make the box larger.`,
  load_tips: (i, mm) =>
    `${i.item} tips: its centre of mass at ${mm(i.centreXMm)} lies outside its supports, ${mm(i.fromMm)} to ${mm(i.toMm)}.`,
  bridges_bodies: (i, mm) =>
    `The rack would tie the ${i.one} to the ${i.other}, which ${i.movesMm === null ? 'move against each other by nobody knows how much' : `move against each other by ${mm(i.movesMm)}`}: it would tear its mounts or the skin. Stand all feet on one body.`,
  load_near_body: (i, mm) =>
    i.clearMm < 0
      ? `${i.item} stands into the ${i.body} by ${mm(-i.clearMm)}: move it or raise the feet.`
      : `${i.item} clears the ${i.body} by ${mm(i.clearMm)}; ${i.needMm === null ? 'how much the two bodies move is not known' : `they move against each other by ${mm(i.needMm)}`}: leave more air.`,
  access_covered: (i, mm) =>
    `${i.item} leaves ${mm(i.clearMm)} over the ${i.obstacle}, which needs ${mm(i.needMm)} to be opened or reached: move it.`,
  swing_meets: (i) =>
    `The ${i.swing} meets ${i.item} at ${i.atDeg}° of the ${i.opensDeg}° it opens: move what is in its way, or settle with the client how far it need open.`,
  foot_lets_go: (i) =>
    `Foot ${i.foot} is pulled up, ${i.when}, and its mount cannot pull: it lets go. Use a mount that clamps or bolts, or move the load back between the bars.`,
  unstable: (i) => `The rack does not stand by itself: ${i.says}.`,
  measures_contradict: (i, mm) => `The vehicle contradicts itself: ${i.says.replace(/\{([\d.]+)\}/g, (_, v: string) => mm(Number(v)))}.`,
  loads_overlap: (i) => `${i.item} and ${i.other} take the same space: move one of them.`,
}

export function issueMessage(issue: Issue, mm: Show): string {
  const say = messages[issue.code] as (i: Issue, mm: Show) => string
  return say(issue, mm)
}
