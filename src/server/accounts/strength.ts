import { say } from '../../core/document'
import { leastPassword } from '../../contract'
import { HttpError } from '../http/http-error'
import { isGuessed } from './password-threads'

/**
 * Refuses a password that is short, common, or made of what everybody knows of its owner.
 * @param school the school's own name, '' where it has none
 * @throws HttpError 422
 */
export async function checkStrength(
  password: string,
  { login, name }: { readonly login: string; readonly name: string },
  school: string,
): Promise<void> {
  if (password.trim().length < leastPassword)
    throw new HttpError(422, say('school.passwordShort', { least: leastPassword }))
  const known = `${login} ${name} ${school} brachyon`
    .normalize('NFKC')
    .toLowerCase()
    .split(/[^\p{L}\d]+/u)
    .filter((word) => word.length > 1)
  if (await isGuessed(password, known)) throw new HttpError(422, say('school.passwordGuessed'))
}
