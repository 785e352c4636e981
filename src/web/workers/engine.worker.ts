import type { Job } from './start'

/** Each job has the script of its own, and what several of them need they share: the engine comes over the wire once. */
const jobs: Record<Job, () => Promise<{ work: (ask: never) => void | Promise<void> }>> = {
  course: () => import('./course'),
  'shortest-way': () => import('./shortest-way'),
  signatures: () => import('./signatures'),
  silent: () => import('./silent'),
  symptom: () => import('./symptom'),
}
const job = jobs[self.name as Job]()
// Told as an error of the worker, which is what the page listens for.
job.catch((error: unknown) =>
  setTimeout(() => {
    throw error
  }),
)

self.onmessage = async ({ data }: MessageEvent) => (await job).work(data as never)
