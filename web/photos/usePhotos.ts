import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { call } from '../api/client'

export type Photo = { id: string; name: string; type: string; at: string }
export const photoAddress = (jobId: string, photoId: string): string => `/api/jobs/${jobId}/photos/${photoId}`

/** The photographs kept with a job, and how one is added or taken away. */
export function usePhotos(jobId: string) {
  const client = useQueryClient()
  const photos = useQuery({ queryKey: ['photos', jobId], queryFn: () => call<Photo[]>(`/jobs/${jobId}/photos`) })
  const refresh = () => void client.invalidateQueries({ queryKey: ['photos', jobId] })
  const add = useMutation({
    mutationFn: (file: File) =>
      call<Photo>(`/jobs/${jobId}/photos?${new URLSearchParams({ name: (file.name || 'photo').slice(0, 120) })}`, {
        method: 'POST',
        bytes: file,
      }),
    onSuccess: refresh,
  })
  const remove = useMutation({
    mutationFn: (photoId: string) => call(`/jobs/${jobId}/photos/${photoId}/remove`, { method: 'POST', json: {} }),
    onSuccess: refresh,
  })
  return { photos: photos.data ?? [], add, remove, fault: add.error ?? remove.error ?? photos.error }
}
