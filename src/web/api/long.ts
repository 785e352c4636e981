import type { z } from 'zod'
import { progressedSchema } from '../../contract/progress'
import { say } from '../../core/document'
import { noteBuild } from './build'
import { RequestFailure } from './client'

/**
 * Sends JSON to what takes long: how far it is comes line by line, and its answer last.
 * @param onProgress how much is done, and of how much
 * @throws RequestFailure
 */
export async function sendLong<S extends z.ZodType>(
  schema: S,
  path: string,
  body: unknown,
  onProgress: (done: number, of: number) => void,
): Promise<z.output<S>> {
  const response = await fetch(`/api${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  }).catch(() => undefined)
  if (!response) throw new RequestFailure(0, say('school.noConnection'))
  noteBuild(response.headers.get('x-brachyon-build'))
  const lines = response.ok && response.body ? linesOf(response.body) : [await response.text()]
  try {
    for await (const line of lines) {
      const said: unknown = JSON.parse(line)
      // Refused before it began: an answer like any other.
      const read = progressedSchema.parse(response.ok ? said : { failure: said, status: response.status })
      if ('failure' in read)
        throw new RequestFailure(read.status, read.failure.message, read.failure.problems)
      if ('answer' in read) return schema.parse(read.answer)
      onProgress(read.done, read.of)
    }
  } catch (error) {
    if (error instanceof RequestFailure) throw error
  }
  // It was cut off, or somebody in between has answered.
  throw new RequestFailure(0, say('school.noConnection'))
}

async function* linesOf(stream: ReadableStream<Uint8Array>): AsyncGenerator<string> {
  const reader = stream.getReader()
  const decoder = new TextDecoder()
  let text = ''
  for (;;) {
    const { done, value } = await reader.read()
    text += decoder.decode(value, { stream: !done })
    const lines = text.split('\n')
    text = lines.pop()!
    for (const line of lines) if (line.trim()) yield line
    if (done) break
  }
  if (text.trim()) yield text
}
