import { createHash } from 'node:crypto'
import { type WayRow, wayStands } from '../../core/advice/otherWays'
import type { Quote } from '../../core/cost/quote'
import { escapeXml, toSvg } from '../../core/drawing/toSvg'
import { drawView } from '../../core/drawing/views'
import { type CardItem, type OwnerCard, ownerCard } from '../../core/handOver/ownerCard'
import { designMark } from '../../core/job/designMark'
import type { Evaluation } from '../../core/job/evaluate'
import type { Job } from '../../core/job/job'
import { missingFor } from '../../core/limits/limit'
import { figureText, withLengths } from '../../core/quantity/figureText'
import { moneyText } from '../../core/quantity/money'
import type { Rules } from '../../core/rules/rules'
import { CLIENT_SCRIPT, CLIENT_STYLE } from './clientPageParts'
import type { Title } from './paper'
import { picturePng } from './picturePng'

const PICTURE_PX = 760
const views = ['side', 'rear', 'plan'] as const
const named = { side: 'From the left', rear: 'From behind', plan: 'From above' }

/** Only the page's own script runs on it, whatever somebody wrote into the job. */
export const onlyItsScript = (script: string): string =>
  `default-src 'none'; style-src 'unsafe-inline'; script-src 'sha256-${createHash('sha256').update(script).digest('base64')}'; img-src data: blob:`

type Given = { job: Job; e: Evaluation; price: Quote | null; ways: WayRow[]; rules: Rules; title: Omit<Title, 'stamp'> }

/**
 * One page for the client that opens on a phone without any network: pictures, what it carries and may not, the price with its reasons, what is open, and
 * room for his word. He marks the drawings with his finger; his answer is a file that he sends back, or nothing at all. Nothing here certifies.
 */
export function clientPageHtml({ job, e, price, ways, rules, title }: Given): string {
  const card = ownerCard(job, e, rules)
  const text = (s: string) => escapeXml(withLengths(s, job.units))
  const facts = {
    title: job.title,
    revision: title.revision,
    design: designMark(job),
    unit: job.units.system === 'inch' ? 'lb' : 'kg',
    // nothing reads as in order while the job itself does not
    open: card.open.length,
    perKg: job.units.system === 'inch' ? 2.2046226218 : 1,
  }
  const script = `const F=${JSON.stringify(facts).replace(/</g, '\\u003c')};${CLIENT_SCRIPT}`
  return `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<meta http-equiv="Content-Security-Policy" content="${onlyItsScript(script)}">
<title>${escapeXml(job.title)}</title><style>${CLIENT_STYLE}</style></head>
<body><header><p>${escapeXml(title.shop.name)}</p><h1>${escapeXml(job.title)}</h1>
<p>For ${escapeXml(job.brief.clientName || 'the client')} · ${escapeXml(job.vehicle.name)} · revision ${title.revision} of ${escapeXml(title.date)}${job.due ? ` · promised for ${escapeXml(job.due)}` : ''}</p></header>
<main>
<section class="pictures">${(['front', 'rear'] as const).map((seen) => image(job, e, seen)).join('')}</section>
<section><h2>As drawn</h2><p>Press a drawing where you want to say something about it.</p>
${views.map((v) => `<figure data-view="${v}"><figcaption>${named[v]}</figcaption>${drawn(job, e, v)}</figure>`).join('\n')}</section>
<section><h2>What it carries</h2>${carries(job, card)}</section>
${card.before.length ? `<section><h2>Before you drive off</h2><ul>${card.before.map((m) => `<li>${text(m)}</li>`).join('')}</ul></section>` : ''}
<section><h2>What it may not</h2><ul>${card.mayNot.map((m) => `<li>${text(m)}</li>`).join('')}</ul></section>
<section><h2>The vehicle</h2><table>${figures(job, card)}</table></section>
<section><h2>Price</h2>${priced(price, title.shop.currency ?? '', rules.taxPercent)}${besides(job, ways)}</section>
${open(card, text)}
<section><h2>Your load today</h2><p>Type what you weighed. What you did not weigh is not assessed; what is not listed, ask us first.</p>
${today(job, card)}<label>Something else<input id="else" maxlength="200"></label><p id="verdict" role="status"></p></section>
<section><h2>Your word</h2>
<label>Your name<input id="who" autocomplete="name" maxlength="80"></label>
<ol id="marks"></ol>
<label>Anything else<textarea id="note" rows="3" maxlength="2000"></textarea></label>
<fieldset><legend>This is</legend>
<label class="choice"><input type="radio" name="agrees" value="yes">as I want it: build it</label>
<label class="choice"><input type="radio" name="agrees" value="no" checked>not yet: see what I said</label></fieldset>
<p class="quiet">We compute from the figures given and certify nothing. Follow local codes; what the law or the risk asks for is signed by a licensed engineer before the vehicle goes on the road.</p></section>
</main><footer><button id="save" type="button">Save the answer file</button><p id="said" role="status"></p></footer>
<script>${script}</script></body></html>
`
}

/** A view without the shop's marks and the ways of doors: what things are is said in words, and pressing one must not be missed. */
function drawn(job: Job, e: Evaluation, view: (typeof views)[number]): string {
  const sheet = drawView(view, e.assembly, job.vehicle, job.brief)
  return toSvg({ ...sheet, entities: sheet.entities.filter((x) => x.layer !== 'mark' && x.layer !== 'swing') }, job.units, 46, true)
}

function image(job: Job, e: Evaluation, seen: 'front' | 'rear'): string {
  const alt = `${job.title} seen from ${seen === 'front' ? 'ahead' : 'behind'}, a likeness`
  return `<img alt="${escapeXml(alt)}" src="data:image/png;base64,${picturePng(job, e, seen, PICTURE_PX).toString('base64')}">`
}

const kg = (job: Job, value: number | null): string => (value === null ? 'not weighed' : figureText(value, 'kg', job.units))
const whenText: Record<CardItem['when'], string> = { driving: 'on the road', parked: 'parked only', both: 'on the road and parked' }

const carries = (job: Job, { may }: OwnerCard): string =>
  may.length
    ? `<table><tr><th>What</th><th>At most</th><th>On</th><th>Held by</th></tr>${may
        .map(
          (m) =>
            `<tr><td>${escapeXml(m.name)}<br><small>${whenText[m.when]}</small></td><td class="n">${kg(job, m.mostKg)}</td><td>${escapeXml(m.on)}</td><td>${escapeXml(withLengths(m.held, job.units))}</td></tr>`,
        )
        .join('')}</table>`
    : '<p>Nothing was named yet.</p>'

/** Figures an owner can weigh or measure against; what nobody could assess is told, never left out. */
const figures = (job: Job, { figures }: OwnerCard): string =>
  figures
    .map((l) => {
      const used = figureText(l.used.value, l.unit, job.units)
      const word =
        l.state === 'unknown'
          ? `not assessed: ${missingFor(l).join(', ') || 'a figure is missing'}`
          : `${used} of ${figureText(l.allowed.value, l.unit, job.units)}`
      return `<tr><td>${escapeXml(l.name)}</td><td class="n">${escapeXml(word)}</td><td class="${l.state}">${l.state === 'unknown' ? 'open' : l.state}</td></tr>`
    })
    .join('')

function priced(q: Quote | null, currency: string, taxPercent: number): string {
  if (!q) return '<p>Nothing is made for this job, so it has no price.</p>'
  if (q.price.value === null) return `<p>Not known yet. Missing: ${escapeXml(q.cost.missing.join(', '))}.</p>`
  const lines = q.lines.map(
    (l) =>
      `<tr><td>${escapeXml(l.name)}</td><td><small>${escapeXml(l.detail)}</small></td><td class="n">${escapeXml(moneyText(l.figure.value))}</td></tr>`,
  )
  const sum = (name: string, says: string, minor: number | null) =>
    `<tr class="sum"><td>${escapeXml(name)}</td><td><small>${escapeXml(says)}</small></td><td class="n">${escapeXml(moneyText(minor))}</td></tr>`
  const price = sum(
    currency ? `Price, ${currency}` : 'Price',
    `with our margin on the lines above${q.withTax ? ', before tax' : ''}`,
    q.price.value,
  )
  return `<table>${lines.join('')}${price}${q.withTax ? sum('With tax', `${taxPercent} %`, q.withTax.value) : ''}</table>`
}

/** The same in another metal, and bought ready-made: side by side with what is drawn. */
function besides(job: Job, ways: WayRow[]): string {
  const { readyMadeMinor, readyMadeNote } = job.brief
  const rows = [
    ...ways.map((w) => [w.name, kg(job, w.mass.value), w.price?.value == null ? 'not known' : moneyText(w.price.value), wayStands(w)]),
    ...(readyMadeMinor === null
      ? []
      : [[`Bought${readyMadeNote ? `: ${readyMadeNote}` : ''}`, 'by its maker', moneyText(readyMadeMinor), 'not assessed by us']]),
  ]
  if (rows.length < 2) return ''
  const cells = (r: string[]) => `<tr>${r.map((c, i) => `<td${i === 1 || i === 2 ? ' class="n"' : ''}>${escapeXml(c)}</td>`).join('')}</tr>`
  return `<h3>Other ways</h3><table><tr><th>Made</th><th>Weighs</th><th>Price</th><th>Limits</th></tr>${rows.map(cells).join('')}</table>`
}

const open = (card: OwnerCard, text: (s: string) => string): string => {
  const all = [...card.open, ...card.ask, ...card.engineer]
  return all.length ? `<section><h2>Still open</h2><ul>${all.map((s) => `<li>${text(s)}</li>`).join('')}</ul></section>` : ''
}

const today = (job: Job, { may }: OwnerCard): string =>
  may
    .map(
      (m) =>
        `<label>${escapeXml(m.name)} <small>${whenText[m.when]}, ${m.mostKg === null ? 'no figure to hold it against' : `at most ${kg(job, m.mostKg)}`}</small><input class="today" inputmode="decimal" maxlength="12" data-name="${escapeXml(m.name)}" data-most="${m.mostKg ?? ''}"></label>`,
    )
    .join('')
