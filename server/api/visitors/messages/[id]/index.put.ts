import { parameter, readInput, studioHandler } from '../../../../utils/studio'

/** Whether a message is read, and what is noted about it. */
export default studioHandler('writer', async ({ event, site }) => {
  const input = await readInput(event, 'message')
  await site.messages.set(Number(parameter(event, 'id')) || 0, input)
  return input
})
