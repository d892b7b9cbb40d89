import type { Cargo } from '../../../core/brief/cargo'
import { editJob } from '../../job/jobStore'

export const setCargo = (id: string, patch: Partial<Cargo>): void =>
  editJob((j) => ({ ...j, brief: { ...j.brief, cargo: j.brief.cargo.map((c) => (c.id === id ? { ...c, ...patch } : c)) } }))
