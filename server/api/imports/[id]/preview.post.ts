import type { BringPreviewAnswer } from '../../../../shared/api/types'
import { parameter, readInput, studioHandler } from '../../../utils/studio'

/** What taking a file along would come to. */
export default studioHandler<BringPreviewAnswer>('designer', async ({ event, site }) =>
  site.bring.preview(parameter(event, 'id'), await readInput(event, 'bring')),
)
