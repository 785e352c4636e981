import { afterEach, describe, expect, it } from 'vitest'
import { use } from '../words'
import { matches, written, writtenAll } from './press'

afterEach(() => use('en'))

const pressed = (key: string, held: Partial<Record<'ctrl' | 'alt' | 'shift' | 'meta', true>> = {}) => ({
  key,
  ctrlKey: held.ctrl ?? false,
  metaKey: held.meta ?? false,
  altKey: held.alt ?? false,
  shiftKey: held.shift ?? false,
})

describe('a press', () => {
  it('is met by its key with what is held, and by no other', () => {
    expect(matches(pressed('z', { ctrl: true }), 'Ctrl z')).toBe(true)
    expect(matches(pressed('z', { meta: true }), 'Ctrl z')).toBe(true)
    expect(matches(pressed('z'), 'Ctrl z')).toBe(false)
    expect(matches(pressed('z', { ctrl: true, alt: true }), 'Ctrl z')).toBe(false)
    expect(matches(pressed('p', { ctrl: true }), 'p')).toBe(false)
    expect(matches(pressed('ArrowLeft', { alt: true }), 'Alt ArrowLeft')).toBe(true)
    expect(matches(pressed('ArrowLeft'), 'Alt ArrowLeft')).toBe(false)
    expect(matches(pressed(' '), 'Space')).toBe(true)
  })

  it('undo is not redo', () => {
    const redo = pressed('Z', { ctrl: true, shift: true })
    expect(matches(redo, 'Ctrl z')).toBe(false)
    expect(matches(redo, 'Ctrl Shift z')).toBe(true)
    expect(matches(pressed('z', { ctrl: true }), 'Ctrl Shift z')).toBe(false)
  })

  it('takes a letter with caps locked, and a sign wherever the keyboard has it', () => {
    expect(matches(pressed('N', { shift: true }), 'n')).toBe(true)
    expect(matches(pressed('?', { shift: true }), '?')).toBe(true)
    expect(matches(pressed('/', { shift: true }), '/')).toBe(true)
    expect(matches(pressed('ArrowUp', { shift: true }), 'ArrowUp')).toBe(false)
  })

  it('is written as it stands on the keys, in the reader’s language', () => {
    expect(written('Ctrl Shift z')).toBe('Ctrl Shift Z')
    expect(written('Delete')).toBe('Del')
    expect(written('-')).toBe('−')
    use('de')
    expect(written('Ctrl Shift z')).toBe('Strg Umschalt Z')
    expect(written('Delete')).toBe('Entf')
  })

  it('says once what several of them share', () => {
    expect(writtenAll(['Shift ArrowUp', 'Shift ArrowDown'])).toBe('Shift ↑ ↓')
    expect(writtenAll(['1', '2'])).toBe('1  2')
    expect(writtenAll(['Ctrl z', 'Ctrl Shift z'])).toBe('Ctrl Z  Ctrl Shift Z')
  })
})
