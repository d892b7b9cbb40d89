/** Money is kept in minor units and shown without a currency sign: the shop knows its own. 164000 → 1 640.00 */
export const moneyText = (minor: number | null): string => {
  if (minor === null || !Number.isFinite(minor)) return '—'
  const [whole = '', cents] = (Math.abs(Math.round(minor)) / 100).toFixed(2).split('.')
  return `${Math.round(minor) < 0 ? '−' : ''}${whole.replace(/\B(?=(\d{3})+$)/g, ' ')}.${cents}`
}
