import { useState } from 'react'
import { readVehicleFile } from '../../core/exchange/vehicleFile'
import { copyToMeasure } from '../../core/reuse/copyToMeasure'
import { type Vehicle, VehicleSchema } from '../../core/vehicle/vehicle'
import { useSaveShelf, useShelf } from '../api/queries'

/** The shelf of vehicles and what is done to it: one begun blank, copied, opened from a file, changed, taken off and put back. */
export function useVehicleShelf() {
  const shelf = useShelf('vehicles')
  const save = useSaveShelf('vehicles')
  const [editing, setEditing] = useState<Vehicle | null>(null)
  const [removed, setRemoved] = useState<Vehicle | null>(null)
  const [broken, setBroken] = useState<string[] | null>(null)
  const vehicles = shelf.data?.document
  const put = (next: Vehicle[]) => shelf.data && save.mutateAsync({ revision: shelf.data.revision, document: next })
  /** An id of its own for what joins the shelf: the one it has, or that with the next free number. */
  const freeId = (id: string): string => {
    const ids = [id, ...Array.from({ length: (vehicles?.length ?? 0) + 1 }, (_, i) => `${id.slice(0, 55)}-${i + 2}`)]
    return ids.find((one) => !vehicles?.some((o) => o.id === one)) ?? id
  }
  const copy = (v: Vehicle) => setEditing(copyToMeasure(v, freeId(v.id), `${v.name}, copy`.slice(0, 120)))
  // nothing is known of it, and nothing is taken as if it were
  const blank = () => setEditing(VehicleSchema.parse({ id: freeId('vehicle-1'), name: 'New vehicle', body: 'van' }))
  const remove = async (gone: Vehicle) => {
    if (!vehicles) return
    const done = await put(vehicles.filter((v) => v !== gone))?.catch(() => null)
    if (done) setRemoved(gone)
  }
  const putBack = async (back: Vehicle) => {
    if (!vehicles) return
    const done = await put([...vehicles, { ...back, id: freeId(back.id) }])?.catch(() => null)
    if (done) setRemoved(null)
  }
  const open = async (f: File) => {
    const read = readVehicleFile(await f.text())
    if (!read.ok) return setBroken(read.faults.slice(0, 5).map((x) => `${x.where}: ${x.expected}`))
    setBroken(null)
    const taken = vehicles?.find((v) => v.id === read.value.id)
    setEditing(taken ? { ...read.value, revision: taken.revision } : read.value)
  }
  const keep = async () => {
    if (!editing || !vehicles) return
    const done = await put(
      vehicles.some((v) => v.id === editing.id)
        ? vehicles.map((v) => (v.id === editing.id ? { ...editing, revision: v.revision + 1 } : v))
        : [...vehicles, editing],
    )?.catch(() => null)
    if (done) setEditing(null)
  }
  return { shelf, save, vehicles, editing, setEditing, removed, setRemoved, broken, setBroken, copy, blank, remove, putBack, open, keep }
}
