import { say } from '../../core/document'
import { forgetClaims } from '../accounts/cards'
import { forgetDevices } from '../accounts/devices'
import { forgetIdentities } from '../accounts/directory'
import { endSessions } from '../accounts/sessions'
import { forgetPerson, forgetSignIns } from '../accounts/users'
import { forgetActs } from '../orders/acts'
import { leaveClasses } from '../class/classes'
import type { Database } from '../database'
import { forgetPacked } from '../operations/bin'
import { forgetBinned } from '../orders/orders'
import { forgetDrills } from '../learning/drills'
import { forgetIdeas } from '../learning/misbeliefs'
import { HttpError } from '../http/http-error'
import { forgetReplies } from '../orders/replies'

/** The marks stay, whose they were is forgotten. */
export async function eraseName(db: Database, student: string): Promise<void> {
  await db.transaction(async (tx) => {
    const [row] = await tx.query<{ login: string }>(
      `select login from users where id = $1 and role = 'student'`,
      [student],
    )
    if (!row) throw new HttpError(404, say('school.noPerson'))
    await endSessions(tx, student)
    await forgetSignIns(tx, row.login)
    for (const forget of [
      leaveClasses,
      forgetDevices,
      forgetIdentities,
      forgetClaims,
      forgetBinned,
      forgetPacked,
      forgetActs,
      forgetReplies,
      forgetIdeas,
      forgetDrills,
      forgetPerson,
    ])
      await forget(tx, student)
  })
}
