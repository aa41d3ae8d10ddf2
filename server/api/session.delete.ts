import { openHandler } from '../utils/studio'

export default openHandler(async ({ event }) => {
  await clearUserSession(event)
  return { user: null }
})
