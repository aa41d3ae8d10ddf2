import { readInput, studioHandler } from '../../utils/studio'

/** Lost addresses and searches that have been seen to: they are counted anew from now on. */
export default studioHandler('designer', async ({ event, site }) => {
  const { addresses = [], searches = [] } = await readInput(event, 'forget')
  return { forgotten: await site.lost.forget(addresses, searches) }
})
