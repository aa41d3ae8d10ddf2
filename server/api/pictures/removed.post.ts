import { readInput, studioHandler } from '../../utils/studio'

/** Takes pictures away, or puts them back. */
export default studioHandler<{ done: number }>('writer', async ({ event, site }) => {
  const { ids, removed } = await readInput(event, 'picturesRemoved')
  return { done: await site.media.setRemoved(ids, removed) }
})
