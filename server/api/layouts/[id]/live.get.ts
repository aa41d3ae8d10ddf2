import { createEventStream, getQuery } from 'h3'
import { fail } from '../../../../core/problems'
import { ID } from '../../../../core/shape'
import { currentUser, mayUse, parameter, studioHandler } from '../../../utils/studio'

/** Often enough that nothing in between takes the line for dead, in milliseconds. */
const SIGN_OF_LIFE = 20_000

/** Tells a window, for as long as it listens, what is done to a layout and who else has it open (server-sent events). */
export default studioHandler('writer', async ({ event, site, user }) => {
  const id = parameter(event, 'id')
  const listener = getQuery(event).window
  if (typeof listener !== 'string' || !ID.test(listener)) return fail('body-shape', { why: 'Say which window listens' })
  const { revision } = await site.draft.layout(id)
  if (!site.live.hasRoom(id, user.id)) fail('windows-many')
  const stream = createEventStream(event)
  const tell = (what: object) => void stream.push(JSON.stringify(what)).catch(() => {})
  const leave = site.live.join(id, {
    id: listener,
    user: user.id,
    name: user.name,
    tell,
    end: () => void stream.close(),
  })
  /** Whoever has signed out, or may not look any more, is told nothing more. */
  const alive = setInterval(async () => {
    if (mayUse(await currentUser(event, site), 'writer')) tell({ kind: 'alive' })
    else await stream.close()
  }, SIGN_OF_LIFE)
  stream.onClosed(() => {
    clearInterval(alive)
    leave?.()
  })
  event.node.res.setHeader('x-accel-buffering', 'no')
  tell({ kind: 'hello', revision })
  return stream.send()
})
