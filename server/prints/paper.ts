import PDFDocument from 'pdfkit'
import type { PaperSize, Shop } from '../../core/shop/shop'
import { CODE_PT, codeOf } from './code'
import { faces } from './fonts'

export const INK = '#16302f'
export const QUIET = '#5b6f6e'
export const RULE = '#b9c4c1'
export const SIGNAL = '#b3261e'
export type Paper = PDFKit.PDFDocument
/** The one large word on a sheet that says whether metal may be cut by it, and why not; null on sheets that nobody cuts by. */
export type Stamp = { word: string; detail: string }
export type Title = {
  job: string
  client: string
  sheet: string
  /** 0 = what it shows has none */
  revision: number
  date: string
  due: string | null
  stamp: Stamp | null
  shop: Pick<Shop, 'name' | 'address' | 'paper'> & Partial<Pick<Shop, 'currency'>>
  /** where this job stands in the shop's own server: printed as a code to scan */
  link?: string
}

export const MARGIN = 30
/** The caution that stands on every print. */
export const CAUTION =
  'Figures are computed from the measurements given; Tide Line certifies nothing. Follow local codes; have what the law or the risk asks for signed by a licensed engineer.'

/** Landscape, in points (ISO 216; ANSI/ASME Y14.1). */
const POINTS: Record<PaperSize, [number, number]> = {
  A4: [841.89, 595.28],
  A3: [1190.55, 841.89],
  Letter: [792, 612],
  Tabloid: [1224, 792],
}

/** Every sheet is laid out on one of A4's size at least, and enlarged or reduced as a whole: on A3 the letters grow with the paper. */
const scaleOf = (size: PaperSize): number => Math.min(POINTS[size][0] / POINTS.A4[0], POINTS[size][1] / POINTS.A4[1])
/** One millimetre at full size on that paper, as sheets are laid out. */
export const fullSize = (size: PaperSize): number => 72 / 25.4 / scaleOf(size)

/** A sheet of the shop's paper with our fonts. The date of making is set so that the same job prints the same bytes. */
export function openPaper(title: Title): Paper {
  const [width, height] = POINTS[title.shop.paper]
  const scale = scaleOf(title.shop.paper)
  const paper = new PDFDocument({
    size: [width, height],
    margin: MARGIN,
    bufferPages: true,
    autoFirstPage: false,
    info: { Title: `${title.sheet}: ${title.job}`, Author: 'Tide Line', CreationDate: new Date(`${title.date}T00:00:00Z`) },
  })
  paper.on('pageAdded', () => {
    paper.scale(scale)
    Object.assign(paper.page, { width: width / scale, height: height / scale })
  })
  for (const [name, face] of Object.entries(faces)) paper.registerFont(name, face)
  paper.addPage()
  return withSigns(paper)
}

/** What the text face has glyphs for; `bin/signs.test.ts` sees to the rest. */
const IN_TEXT_FACE = /^[\n\u0020-\u007e\u00a0-\u00ff–—‘’“”…′″−]*$/

/** Text with a sign that the face in hand lacks is set in one that has them all, as much smaller as it runs wider. */
function withSigns(paper: Paper): Paper {
  const { text, heightOfString, widthOfString, fontSize } = paper
  const setFace = (paper.font as (name: string) => Paper).bind(paper)
  const setSize = fontSize.bind(paper)
  let [face, size, setting] = ['text', 9, false]
  const set = <T>(words: string, work: () => T): T => {
    // the library measures while it writes: once the other face is in hand it stays there
    if (setting || IN_TEXT_FACE.test(words)) return work()
    setting = true
    setFace(face === 'bold' ? 'signs bold' : 'signs')
    setSize(size * 0.9)
    const done = work()
    setFace(face)
    setSize(size)
    setting = false
    return done
  }
  return Object.assign(paper, {
    font: (name: string) => {
      face = name
      return setFace(name)
    },
    fontSize: (points: number) => {
      size = points
      return setSize(points)
    },
    text: (words: string, ...rest: unknown[]) => set(words, () => text.call(paper, words, ...(rest as []))),
    heightOfString: (words: string, options?: PDFKit.Mixins.TextOptions) => set(words, () => heightOfString.call(paper, words, options)),
    widthOfString: (words: string, options?: PDFKit.Mixins.TextOptions) => set(words, () => widthOfString.call(paper, words, options)),
  })
}

/** Heads and feet on every page, then the bytes. */
export async function closePaper(paper: Paper, title: Title): Promise<Buffer> {
  const code = title.link ? await codeOf(title.link) : null
  const { start, count } = paper.bufferedPageRange()
  for (let i = start; i < start + count; i++) {
    paper.switchToPage(i)
    const { width, height } = paper.page
    paper.page.margins.bottom = 0
    paper.font('bold').fontSize(14).fillColor(INK).text(title.job, MARGIN, 16, { lineBreak: false })
    paper
      .font('text')
      .fontSize(9)
      .fillColor(QUIET)
      .text(
        [title.sheet, title.client, title.revision ? `revision ${title.revision}` : '', title.date, title.due ? `due ${title.due}` : '']
          .filter(Boolean)
          .join('  ·  '),
        MARGIN,
        34,
        { lineBreak: false },
      )
    if (title.stamp) paintStamp(paper, title.stamp)
    paper
      .moveTo(MARGIN, 48)
      .lineTo(width - MARGIN, 48)
      .lineWidth(0.8)
      .strokeColor(INK)
      .stroke()
    const letterhead = [title.shop.name, title.shop.address].filter(Boolean).join(', ')
    if (letterhead)
      paper
        .font('bold')
        .fontSize(8)
        .fillColor(INK)
        .text(letterhead, MARGIN, height - 35, { lineBreak: false })
    paper
      .font('text')
      .fontSize(7.5)
      .fillColor(QUIET)
      .text(CAUTION, MARGIN, height - 24, { width: width - 2 * MARGIN - 60, lineBreak: false })
    if (code) paper.image(code, width - MARGIN - CODE_PT, height - CODE_PT - 3, { width: CODE_PT })
    paper.text(`${i - start + 1} / ${count}`, width - MARGIN - 50 - (code ? CODE_PT + 6 : 0), height - 24, {
      width: 50,
      align: 'right',
      lineBreak: false,
    })
  }
  return new Promise((resolve, reject) => {
    const chunks: Buffer[] = []
    paper.on('data', (c: Buffer) => chunks.push(c))
    paper.on('end', () => resolve(Buffer.concat(chunks)))
    paper.on('error', reject)
    paper.end()
  })
}

/** Large and framed at the head's right, where a hand holding the sheet does not cover it. */
function paintStamp(paper: Paper, stamp: Stamp): void {
  const ink = stamp.word.startsWith('ACCEPTED') ? INK : SIGNAL
  paper.font('bold').fontSize(17)
  const width = paper.widthOfString(stamp.word) + 16
  const left = paper.page.width - MARGIN - width
  paper.rect(left, 11, width, 24).lineWidth(1.6).strokeColor(ink).stroke()
  paper.fillColor(ink).text(stamp.word, left + 8, 15, { lineBreak: false })
  if (!stamp.detail) return
  paper.font('text').fontSize(8)
  paper.text(stamp.detail, paper.page.width - MARGIN - paper.widthOfString(stamp.detail), 37, { lineBreak: false })
}

/** Which page is in hand, from 0. */
export function pageOf(paper: Paper): number {
  const here = paper.page
  let at = paper.bufferedPageRange().start
  while (paper.switchToPage(at) !== here) at++
  return at
}

/** On to the next page: one that another column has already begun, or a new one. */
export function nextPage(paper: Paper): void {
  const next = pageOf(paper) + 1
  if (next < paper.bufferedPageRange().count) paper.switchToPage(next)
  else paper.addPage()
}

export type Column = { head: string; width: number; align?: 'left' | 'right' }
/** A ruled table that goes on over pages. Returns the y below it. */
export function table(paper: Paper, columns: Column[], rows: string[][], x: number, y: number, size = 9): number {
  const total = columns.reduce((s, c) => s + c.width, 0)
  const heightOf = (cells: string[], bold: boolean) =>
    Math.max(
      ...cells.map((c, i) =>
        paper
          .font(bold ? 'bold' : 'figures')
          .fontSize(size)
          .heightOfString(c || ' ', { width: columns[i].width - 6 }),
      ),
    )
  const line = (cells: string[], at: number, bold: boolean) => {
    let left = x
    const height = heightOf(cells, bold)
    cells.forEach((cell, i) => {
      paper
        .font(bold ? 'bold' : 'figures')
        .fontSize(size)
        .fillColor(INK)
        .text(cell, left + 3, at + 2, { width: columns[i].width - 6, align: columns[i].align ?? 'left' })
      left += columns[i].width
    })
    return at + height + 4
  }
  const head = (at: number) => {
    const below = line(
      columns.map((c) => c.head),
      at,
      true,
    )
    paper
      .moveTo(x, below)
      .lineTo(x + total, below)
      .lineWidth(0.6)
      .strokeColor(INK)
      .stroke()
    return below
  }
  // a head is not left alone at the foot of a page
  if (y > paper.page.height - 90) {
    nextPage(paper)
    y = 60
  }
  let at = head(y)
  for (const row of rows) {
    if (at + Math.min(heightOf(row, false), paper.page.height / 2) > paper.page.height - 46) {
      nextPage(paper)
      at = head(60)
    }
    at = line(row, at, false)
    paper
      .moveTo(x, at)
      .lineTo(x + total, at)
      .lineWidth(0.3)
      .strokeColor(RULE)
      .stroke()
  }
  return at
}
