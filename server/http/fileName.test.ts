import { describe, expect, test } from 'vitest'
import { disposition } from './fileName'

const whole = (header: string) => decodeURIComponent(/filename\*=UTF-8''(\S+)$/.exec(header)![1] as string)
const plain = (header: string) => /filename="([^"]*)"/.exec(header)![1]

describe('how a file is called', () => {
  test.each([
    ['Pole rack', 'Pole rack, rev 7, cut-sheet.pdf'],
    ['Møllers båd, tag', 'Møllers båd, tag, rev 7, cut-sheet.pdf'],
    ['棚 車頂', '棚 車頂, rev 7, cut-sheet.pdf'],
    ['a/b\\c:d*e?"f<g>h|i', 'a b c d e f g h i, rev 7, cut-sheet.pdf'],
    ['line\r\nbreak\u0000', 'line break, rev 7, cut-sheet.pdf'],
    ['...', 'job, rev 7, cut-sheet.pdf'],
    ['../../etc', '.. .. etc, rev 7, cut-sheet.pdf'],
    ['🚐'.repeat(100), `${'🚐'.repeat(80)}, rev 7, cut-sheet.pdf`],
  ])('%j', (title, name) => {
    const header = disposition('attachment', title, 7, 'cut-sheet.pdf')
    expect(whole(header)).toBe(name)
    // a header is one line of plain signs, whatever the title
    expect(header).toMatch(/^[\x20-\x7e]+$/)
    expect(plain(header)).not.toContain('"')
  })
  test('old readers get plain letters', () => expect(plain(disposition('inline', 'Café ağır', 1, 'a.pdf'))).toBe('Cafe ag_r, rev 1, a.pdf'))
})
