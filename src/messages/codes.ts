import type { en } from './en'

type Areas = typeof en
export type Area = keyof Areas

/** What can be said: the name of a file of messages, and a key in it. */
export type Code = { [A in Area]: CodeOf<A> }[Area]
export type CodeOf<A extends Area> = `${A}.${KeyOf<A>}`
export type KeyOf<A extends Area> = keyof Areas[A] & string

/** The texts of several files by their codes. */
export const byCode = (
  files: Readonly<Record<string, Readonly<Record<string, string>>>>,
): Readonly<Record<string, string>> =>
  Object.fromEntries(
    Object.entries(files).flatMap(([area, texts]) =>
      Object.entries(texts).map(([key, text]) => [`${area}.${key}`, text]),
    ),
  )
