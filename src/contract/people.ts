import { userSchema } from './account'
import { pageOf } from './scope'

/** Students of a scope by pages, in the order of their names. */
export const studentsPageSchema = pageOf(userSchema)
