import type { ReleasesAnswer } from '../../../shared/api/types'
import { studioHandler } from '../../utils/studio'

export default studioHandler<ReleasesAnswer>('writer', ({ site }) => site.releases.list())
