import type { HomeInput } from '../../shared/api/types'
import { contentChanged } from '../services/installation'
import { readInput, studioHandler } from '../utils/studio'

export default studioHandler<HomeInput>('designer', async ({ event, site }) => {
  const { home } = await readInput(event, 'home')
  await site.settings.change({ home })
  await contentChanged(site)
  return { home }
})
