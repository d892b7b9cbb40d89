import { imageSize } from 'image-size'

/** More than any camera of a telephone makes; a picture beyond it is made to fill memory. */
const MOST_SIDE = 12_000
const MOST_PIXELS = 60_000_000

type Kind = 'image/jpeg' | 'image/png' | 'image/webp'
const KINDS: Record<string, Kind> = { jpg: 'image/jpeg', png: 'image/png', webp: 'image/webp' }

export type Picture = { ok: true; type: Kind; bytes: Buffer } | { ok: false; expected: string }

/**
 * A picture as it may be kept: what its own header says it is (a name may lie), of a size that opens, and without what cameras write beside it: place,
 * time and owner's name. How it is to be turned stays.
 */
export function keptPicture(bytes: Buffer): Picture {
  const none = { ok: false as const, expected: 'a picture: JPEG, PNG or WebP, whole' }
  let size: ReturnType<typeof imageSize>
  try {
    size = imageSize(bytes)
  } catch {
    return none
  }
  const type = KINDS[size.type ?? '']
  if (!type || !(size.width > 0) || !(size.height > 0)) return none
  if (size.width > MOST_SIDE || size.height > MOST_SIDE || size.width * size.height > MOST_PIXELS)
    return {
      ok: false,
      expected: `a picture of ${MOST_SIDE} pixels a side at most: this one is ${size.width} × ${size.height}; make it smaller`,
    }
  const clean = type === 'image/jpeg' ? plainJpeg(bytes, size.orientation ?? 1) : type === 'image/png' ? plainPng(bytes) : plainWebp(bytes)
  return clean ? { ok: true, type, bytes: clean } : none
}

/**
 * JPEG (ITU-T T.81, B.1): of the segments, APPn but JFIF's, a colour profile and Adobe's colour mark, and comments, are left out. It ends with its own
 * end: what telephones hang on behind it is a further picture with place and time of its own.
 */
function plainJpeg(bytes: Buffer, orientation: number): Buffer | null {
  const kept: Buffer[] = [bytes.subarray(0, 2)]
  if (orientation > 1 && orientation <= 8) kept.push(turnedBy(orientation))
  let scanned = false
  for (let at = 2; at + 2 <= bytes.length; ) {
    if (bytes[at] !== 0xff) return null
    const marker = bytes[at + 1] as number
    if (marker === 0xff) {
      at++
      continue
    }
    if (marker === 0xd9) return scanned ? Buffer.concat([...kept, bytes.subarray(at, at + 2)]) : null
    if (at + 4 > bytes.length) return null
    const head = at + 2 + bytes.readUInt16BE(at + 2)
    const end = marker === 0xda ? endOfScan(bytes, head) : head
    if (head < at + 4 || end > bytes.length) return null
    scanned ||= marker === 0xda
    if (!isBeside(marker, bytes.subarray(at + 4, head))) kept.push(bytes.subarray(at, end))
    at = end
  }
  return null
}
const PROFILE = Buffer.from('ICC_PROFILE\0', 'latin1')
/** What cameras and programs write beside the picture. */
const isBeside = (marker: number, body: Buffer): boolean => {
  if (marker === 0xe2) return !body.subarray(0, PROFILE.length).equals(PROFILE)
  return (marker >= 0xe1 && marker <= 0xef && marker !== 0xee) || marker === 0xfe
}
/** Coded data runs to the next marker that is neither a stuffed byte nor a restart. */
const endOfScan = (bytes: Buffer, from: number): number => {
  let at = bytes.indexOf(0xff, from)
  while (at >= 0 && (bytes[at + 1] === 0 || ((bytes[at + 1] ?? 0) >= 0xd0 && (bytes[at + 1] ?? 0) <= 0xd7)))
    at = bytes.indexOf(0xff, at + 2)
  return at < 0 ? bytes.length : at
}
/** An Exif segment with nothing but the orientation (TIFF tag 0x0112). */
const turnedBy = (orientation: number): Buffer => {
  const tiff = Buffer.from('4d4d002a000000080001011200030000000100000000000000000000', 'hex').subarray(0, 26)
  tiff.writeUInt16BE(orientation, 18)
  const head = Buffer.from([0xff, 0xe1, 0, 0])
  head.writeUInt16BE(2 + 6 + tiff.length, 2)
  return Buffer.concat([head, Buffer.from('Exif\0\0', 'latin1'), tiff])
}

/** PNG (ISO/IEC 15948, 5.3): of the ancillary chunks only those that say how colours and sizes are meant. */
const PNG_KEPT = new Set(['IHDR', 'PLTE', 'IDAT', 'IEND', 'tRNS', 'gAMA', 'cHRM', 'sRGB', 'iCCP', 'pHYs', 'sBIT', 'bKGD'])
function plainPng(bytes: Buffer): Buffer | null {
  const kept: Buffer[] = [bytes.subarray(0, 8)]
  for (let at = 8; at + 12 <= bytes.length; ) {
    const end = at + 12 + bytes.readUInt32BE(at)
    const name = bytes.toString('latin1', at + 4, at + 8)
    if (end > bytes.length) return null
    if (PNG_KEPT.has(name)) kept.push(bytes.subarray(at, end))
    if (name === 'IEND') return Buffer.concat(kept)
    at = end
  }
  return null
}

/** WebP (RFC 9649): Exif and XMP chunks out, and their flags in the extended header cleared. */
function plainWebp(bytes: Buffer): Buffer | null {
  const kept: Buffer[] = []
  for (let at = 12; at + 8 <= bytes.length; ) {
    const length = bytes.readUInt32LE(at + 4)
    const end = at + 8 + length + (length % 2)
    const name = bytes.toString('latin1', at, at + 4)
    if (at + 8 + length > bytes.length) return null
    if (name !== 'EXIF' && name !== 'XMP ') {
      const chunk = Buffer.from(bytes.subarray(at, Math.min(end, bytes.length)))
      if (name === 'VP8X') chunk[8] = (chunk[8] as number) & ~0x0c
      kept.push(chunk)
    }
    at = end
  }
  const body = Buffer.concat([Buffer.from('WEBP', 'latin1'), ...kept])
  const head = Buffer.from('RIFF\0\0\0\0', 'latin1')
  head.writeUInt32LE(body.length, 4)
  return kept.length ? Buffer.concat([head, body]) : null
}
