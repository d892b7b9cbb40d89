import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { inflateSync } from 'node:zlib'
import fonts from 'fonteditor-core'

const require = createRequire(import.meta.url)
const inflate = (packed: number[]): number[] => [...inflateSync(Uint8Array.from(packed))]
function fontsource(file: string): Buffer {
  const woff = readFileSync(require.resolve(`@fontsource/${file}`))
  return Buffer.from(fonts.woff2ttf(woff.buffer.slice(woff.byteOffset, woff.byteOffset + woff.length) as ArrayBuffer, { inflate }))
}

/** The faces of our sheets, unpacked once: as the web wants them they would be unpacked anew for every sheet, which took most of its time. */
export const faces = {
  text: fontsource('barlow/files/barlow-latin-400-normal.woff'),
  bold: fontsource('barlow/files/barlow-latin-600-normal.woff'),
  figures: fontsource('barlow-semi-condensed/files/barlow-semi-condensed-latin-500-normal.woff'),
  signs: readFileSync(require.resolve('dejavu-fonts-ttf/ttf/DejaVuSansCondensed.ttf')),
  'signs bold': readFileSync(require.resolve('dejavu-fonts-ttf/ttf/DejaVuSansCondensed-Bold.ttf')),
}
