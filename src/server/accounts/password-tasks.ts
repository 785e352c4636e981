import { isGuessed } from './guessing'
import { checkPasswordNow, hashPasswordNow } from './passwords'

const tasks = {
  hash: ({ password }: { password: string }): string => hashPasswordNow(password),
  check: ({ password, stored }: { password: string; stored: string }): boolean =>
    checkPasswordNow(password, stored),
  guessed: ({ password, known }: { password: string; known: readonly string[] }): boolean =>
    isGuessed(password, known),
}
export type PasswordTask = keyof typeof tasks

/** What a thread for passwords runs. */
export default function run({ name, task }: { name: PasswordTask; task: never }): unknown {
  return tasks[name](task)
}
