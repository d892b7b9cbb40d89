/** Signs that some system does not take in a file's name, and what cannot be seen. */
const REFUSED = /[\p{Cc}\p{Cs}\p{Zl}\p{Zp}<>:"/\\|?*]+/gu
const MOST_SIGNS = 80

/**
 * How a file is called that leaves the shop: the job's title in its own letters, its revision, and what it is. The header carries it twice (RFC 6266):
 * in plain letters for old readers, and whole.
 */
export function disposition(how: 'attachment' | 'inline', title: string, revision: number, tail: string): string {
  const stem =
    [...title.normalize('NFC').replace(REFUSED, ' ').replace(/\s+/g, ' ').trim()]
      .slice(0, MOST_SIGNS)
      .join('')
      .replace(/[. ]+$/, '') || 'job'
  const name = `${stem}, rev ${revision}, ${tail}`
  const plain = name
    .normalize('NFKD')
    .replace(/\p{M}+/gu, '')
    .replace(/[^\x20-\x7e]+/g, '_')
  const whole = encodeURIComponent(name).replace(/['()*]/g, (c) => `%${c.charCodeAt(0).toString(16).toUpperCase()}`)
  return `${how}; filename="${plain}"; filename*=UTF-8''${whole}`
}
