import bwip from 'bwip-js/node'
import { decode, encode } from 'fast-png'

/** So large is a code at the foot of a sheet: a phone reads one of some fifty letters at that. Points */
export const CODE_PT = 35

/** A square code (ISO/IEC 18004) of some words as a PNG in grey: one with a layer of transparency is not written twice the same. */
export async function codeOf(text: string): Promise<Buffer> {
  const { width, height, data, channels } = decode(await bwip.toBuffer({ bcid: 'qrcode', text, scale: 4, backgroundcolor: 'FFFFFF' }))
  const grey = Uint8Array.from({ length: width * height }, (_, i) => data[i * channels]!)
  return Buffer.from(encode({ width, height, data: grey, channels: 1 }))
}
