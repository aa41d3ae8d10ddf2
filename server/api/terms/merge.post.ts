import { contentChanged } from '../../services/installation'
import { readInput, studioHandler } from '../../utils/studio'

export default studioHandler('designer', async ({ event, site, user }) => {
  const { from, into } = await readInput(event, 'mergeTerms')
  await site.terms.merge(from, into, user.name)
  await contentChanged(site)
  return { done: true }
})
