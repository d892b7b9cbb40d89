/** The piece that a part, support or dimension of the whole belongs to, by its id; null for what is the vehicle's own, or stands alone. */
export const pieceIdOf = (partId: string): string | null => {
  const cut = partId.indexOf('/')
  return cut > 0 && partId.slice(0, cut) !== 'vehicle' ? partId.slice(0, cut) : null
}
