import { describe, expect, it } from 'vitest'
import { FairQueue } from './fair-queue'

/** Work that ends when it is told to. */
function work() {
  let end = (): void => undefined
  const ended = new Promise<void>((resolve) => (end = resolve))
  return { end, run: () => ended }
}
const soon = () => new Promise((done) => setTimeout(done, 0))

describe('a queue of slow work', () => {
  it('takes lanes in turn: one with a hundred holds up nobody who has one', async () => {
    const queue = new FairQueue({ atOnce: 1, mostWaiting: 200, mostOfGroup: 150 })
    const order: string[] = []
    const add = (group: string, lane: string, name: string) =>
      queue.run(group, lane, async () => {
        order.push(name)
        await soon()
      })
    const all = [
      ...Array.from({ length: 100 }, (_, n) => add('stranger', 'stranger orla', `s${n}`)),
      add('class', 'class tam', 'tam'),
      add('class', 'class idris', 'idris'),
    ]
    expect(all.every((one) => one !== undefined)).toBe(true)
    await Promise.all(all)
    expect(order.slice(0, 5)).toContain('tam')
    expect(order.slice(0, 5)).toContain('idris')
    expect(order).toHaveLength(102)
  })

  it('runs as many at once as it may, and never more', async () => {
    const queue = new FairQueue({ atOnce: 2, mostWaiting: 50, mostOfGroup: 50 })
    let running = 0
    let most = 0
    const jobs = Array.from({ length: 20 }, (_, n) =>
      queue.run('g', `lane ${n % 3}`, async () => {
        most = Math.max(most, ++running)
        await soon()
        running--
      }),
    )
    await Promise.all(jobs)
    expect(most).toBe(2)
  })

  it('takes no more of one group than it may, nor in all, and goes on after what failed', async () => {
    const queue = new FairQueue({ atOnce: 1, mostWaiting: 6, mostOfGroup: 4 })
    const first = work()
    const running = queue.run('a', 'a', first.run)!
    const ofA = Array.from({ length: 10 }, (_, n) => queue.run('a', `a ${n}`, () => Promise.resolve(n)))
    expect(ofA.filter((one) => one === undefined)).toHaveLength(6)
    const failing = queue.run('b', 'b', () => Promise.reject(new Error('no')))!
    const caught = failing.catch((error: Error) => error.message)
    const last = queue.run('b', 'b', () => Promise.resolve('b'))
    expect(queue.run('c', 'c', () => Promise.resolve('c'))).toBeUndefined()
    first.end()
    await running
    expect(await caught).toBe('no')
    expect(await last).toBe('b')
    expect(await queue.run('c', 'c', () => Promise.resolve('c'))).toBe('c')
  })
})
