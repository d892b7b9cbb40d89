declare module 'subset-font' {
  /** A font file with the glyphs of `text` alone. */
  export default function subsetFont(font: Buffer, text: string, options: { targetFormat: 'woff2' | 'woff' | 'sfnt' }): Promise<Buffer>
}
