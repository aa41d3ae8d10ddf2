import type { UsersAnswer } from '../../../shared/api/types'
import { studioHandler } from '../../utils/studio'

/** Who works here. */
export default studioHandler<UsersAnswer>('owner', ({ site }) => site.users.list())
