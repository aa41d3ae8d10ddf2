import { parameter, readInput, studioHandler } from '../../../utils/studio'

/** Keeps what somebody is writing, so that it is there on every machine and after every accident. */
export default studioHandler('writer', async ({ event, site, user }) => {
  const { working } = await readInput(event, 'working')
  await site.entries.keepWorking(parameter(event, 'id'), working, user)
  return { kept: working !== null }
})
