import { createEvent } from 'h3'
import { installation } from '../services/installation'
import type { WhoAsks } from '../services/visitors'
import { currentUser } from './studio'

/** Reads the session of a visitor of the published site. Whoever cannot be read is a visitor like any other. */
export const whoAsks: WhoAsks = async (request, response) => {
  if (!request.headers.cookie) return null
  const user = await currentUser(createEvent(request, response), await installation()).catch(() => null)
  return user && { role: user.role, name: user.name }
}
