/** What is worked out beside the page. */
export type Job = 'course' | 'shortest-way' | 'signatures' | 'silent' | 'symptom'

/** A worker that does one job: it takes what its file in this folder asks for, and answers what that says. */
export const startWorker = (job: Job): Worker =>
  new Worker(new URL('./engine.worker.ts', import.meta.url), { type: 'module', name: job })
