import type { KitStanding } from '../purchase/kit'
import type { ComingLine, PooledLine } from '../purchase/pooled'
import type { Supplier } from '../purchase/suppliers'
import type { LeftOut } from './daysAnswer'

/** What is to be bought over all open jobs, and what is on its way. */
export type PurchaseAnswer = {
  lines: PooledLine[]
  coming: ComingLine[]
  jobs: { id: string; revision: number; title: string; kit: KitStanding }[]
  suppliers: Supplier[]
  left: LeftOut[]
  more: number
}
