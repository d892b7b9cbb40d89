import { describe, expect, test } from 'vitest'
import { keptPicture } from './picture'

/** A JPEG of one grey block, as an encoder writes it: start, JFIF, quantisation, frame, Huffman tables, scan, end. */
const hex = (text: string) => Buffer.from(text.replaceAll(' ', ''), 'hex')
const jfif = hex('ffe0 0010 4a46494600 0101 00 0001 0001 00 00')
const quantisation = Buffer.concat([hex('ffdb 0043 00'), Buffer.alloc(64, 16)])
const frame = (width: number, height: number) => {
  const f = hex('ffc0 000b 08 0000 0000 01 01 11 00')
  f.writeUInt16BE(height, 5)
  f.writeUInt16BE(width, 7)
  return f
}
const huffman = hex('ffc4 0014 00 01000000000000000000000000000000 00')
const scan = hex('ffda 0008 01 01 00 00 3f 00 7f12')
const end = hex('ffd9')
const jpeg = (...between: Buffer[]) => Buffer.concat([hex('ffd8'), jfif, ...between, quantisation, frame(640, 480), huffman, scan, end])
/** What a telephone writes beside: Exif with a place in it, turned a quarter. */
const exif = (orientation: number) => {
  const tiff = Buffer.concat([
    hex('4d4d002a 00000008 0001 0112 0003 00000001'),
    hex(`000${orientation}0000`),
    hex('00000000'),
    Buffer.from('GPS 57.1 N'),
  ])
  const body = Buffer.concat([Buffer.from('Exif\0\0', 'latin1'), tiff])
  const head = hex('ffe1 0000')
  head.writeUInt16BE(body.length + 2, 2)
  return Buffer.concat([head, body])
}
const comment = Buffer.concat([hex('fffe 0010'), Buffer.from('taken by Low E')])
const chunk = (name: string, body: Buffer) => {
  const head = Buffer.alloc(8)
  head.writeUInt32BE(body.length, 0)
  head.write(name, 4, 'latin1')
  return Buffer.concat([head, body, Buffer.alloc(4)])
}
const png = (width: number, height: number, ...more: Buffer[]) => {
  const header = Buffer.alloc(13)
  header.writeUInt32BE(width, 0)
  header.writeUInt32BE(height, 4)
  return Buffer.concat([
    hex('89504e470d0a1a0a'),
    chunk('IHDR', header),
    ...more,
    chunk('IDAT', Buffer.alloc(9)),
    chunk('IEND', Buffer.alloc(0)),
  ])
}
const webp = (...chunks: [string, Buffer][]) => {
  const body = Buffer.concat([
    Buffer.from('WEBP', 'latin1'),
    ...chunks.map(([name, data]) => {
      const head = Buffer.alloc(8)
      head.write(name, 0, 'latin1')
      head.writeUInt32LE(data.length, 4)
      return Buffer.concat([head, data, Buffer.alloc(data.length % 2)])
    }),
  ])
  const head = Buffer.from('RIFF\0\0\0\0', 'latin1')
  head.writeUInt32LE(body.length, 4)
  return Buffer.concat([head, body])
}
const bytes = (given: Buffer) => {
  const kept = keptPicture(given)
  if (!kept.ok) throw new Error(kept.expected)
  return kept.bytes
}

describe('what is kept of a picture', () => {
  test('a JPEG without what the camera wrote beside it is kept byte for byte', () => expect(bytes(jpeg())).toEqual(jpeg()))
  test('place, owner and comment go; how it is turned stays', () => {
    const kept = bytes(jpeg(exif(6), comment))
    expect(kept.includes('GPS') || kept.includes('taken by')).toBe(false)
    // start, Exif with the one tag of 32 bytes and its head of 4, then the picture as it was
    expect(kept.subarray(38)).toEqual(jpeg().subarray(2))
    expect(kept.readUInt16BE(2 + 4 + 6 + 18)).toBe(6)
  })
  test('an upright one needs no word about it, and what hangs on behind the picture goes', () =>
    expect(bytes(Buffer.concat([jpeg(exif(1)), Buffer.from('PK more files here')]))).toEqual(jpeg()))
  test('a second picture that telephones hang on behind the first goes, with the place that it carries', () => {
    const kept = bytes(Buffer.concat([jpeg(), jpeg(exif(1))]))
    expect(kept).toEqual(jpeg())
  })
  test('one of several scans is whole, with restarts and stuffed bytes in them; a comment between them goes, a colour profile stays', () => {
    const coded = Buffer.concat([scan, hex('ff00 12 ffd3 34')])
    const profile = Buffer.concat([hex('ffe2 0012'), Buffer.from('ICC_PROFILE\0', 'latin1'), hex('01010000')])
    const progressive = (...between: Buffer[]) =>
      Buffer.concat([hex('ffd8'), jfif, profile, quantisation, frame(640, 480), huffman, coded, ...between, huffman, coded, end])
    expect(bytes(progressive(comment))).toEqual(progressive())
  })
  test('a PNG keeps its picture and loses its texts', () => {
    const text = chunk('tEXt', Buffer.from('Author\0Low Ebb'))
    expect(bytes(png(20, 10, text, chunk('eXIf', Buffer.from('GPS'))))).toEqual(png(20, 10))
  })
  test('a WebP loses its Exif and XMP, and its header says so', () => {
    const extended = (flags: number) => Buffer.concat([Buffer.from([flags, 0, 0, 0]), hex('130000'), hex('090000')])
    const picture: [string, Buffer] = ['VP8 ', Buffer.concat([hex('000000 9d012a 1400 0a00'), Buffer.alloc(6)])]
    const kept = bytes(webp(['VP8X', extended(0x0c)], picture, ['EXIF', Buffer.from('GPS')], ['XMP ', Buffer.from('<x/>')]))
    expect(kept).toEqual(webp(['VP8X', extended(0)], picture))
  })
})

describe('what is no picture that can be kept', () => {
  test.each([
    ['words', Buffer.from('hello')],
    ['nothing', Buffer.alloc(0)],
    ['a page', Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="10" height="10"></svg>')],
    ['the start of one', jpeg().subarray(0, 30)],
    ['one cut off before its scan', jpeg().subarray(0, -12)],
    ['a PNG without its end', png(20, 10).subarray(0, -14)],
    ['a GIF', Buffer.from('GIF89a\x0a\0\x0a\0\0\0\0;', 'latin1')],
  ])('%s', (_, given) => expect(keptPicture(given)).toMatchObject({ ok: false, expected: expect.stringContaining('JPEG, PNG or WebP') }))
  test('30 000 pixels a side would fill the memory of whoever opens it', () => {
    expect(keptPicture(png(30_000, 30_000))).toMatchObject({ ok: false, expected: expect.stringContaining('30000 × 30000') })
    expect(keptPicture(png(12_000, 10))).toMatchObject({ ok: true })
    expect(keptPicture(png(9000, 9000))).toMatchObject({ ok: false })
  })
})
