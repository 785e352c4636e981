import { afterAll, describe, expect, it } from 'vitest'
import { Workers } from './pool'

const workers = new Workers(1)
afterAll(() => workers.close())

const soon = (ms: number) => new Promise((done) => setTimeout(done, ms))

describe('work under one name', () => {
  it('runs in the order in which it was asked for, one after the other', async () => {
    const log: string[] = []
    const work = (name: string, ms: number) => async () => {
      log.push(`${name} begins`)
      await soon(ms)
      log.push(`${name} ends`)
      return name
    }
    const all = [workers.inTurn('maeve', work('first', 20)), workers.inTurn('maeve', work('second', 1))]
    expect(await Promise.all(all)).toEqual(['first', 'second'])
    expect(log).toEqual(['first begins', 'first ends', 'second begins', 'second ends'])
  })

  it('goes on after a failure, which only the one who asked hears of', async () => {
    const failing = workers.inTurn('maeve', () => Promise.reject(new Error('no answer')))
    const next = workers.inTurn('maeve', () => Promise.resolve('next'))
    await expect(failing).rejects.toThrow('no answer')
    expect(await next).toBe('next')
  })

  it('holds nobody else up', async () => {
    let release = () => {}
    const slow = workers.inTurn('maeve', () => new Promise<void>((done) => (release = done)))
    expect(await workers.inTurn('bram', () => Promise.resolve('bram'))).toBe('bram')
    release()
    await slow
  })
})

describe('a thread that is warm', () => {
  it('is there before anybody asks', async () => {
    await expect(workers.warm()).resolves.toBeUndefined()
  })
})
