import { setResponseStatus } from 'h3'
import { problem } from '../../../../core/problems'
import type { EditsAnswer, EditsInput, ErrorAnswer, FarAnswer, StaleAnswer } from '../../../../shared/api/types'
import { answerProblem, parameter, readInput, studioHandler } from '../../../utils/studio'

export default studioHandler<EditsAnswer | StaleAnswer | FarAnswer | ErrorAnswer>(
  'designer',
  async ({ event, site, user }) => {
    const { revision, edits } = await readInput<EditsInput>(event, 'edits')
    const result = await site.draft.applyEdits(parameter(event, 'id'), revision, edits, user.name)
    if (result.kind === 'refused') return answerProblem(event, result.problem)
    if (result.kind === 'done') return { revision: result.revision, records: result.records }
    setResponseStatus(event, 409)
    if (result.kind === 'far')
      return { problem: problem('stale-revision', { revision }), state: result.state, taken: result.taken }
    return { problem: problem('stale-revision', { revision }), revision: result.revision, between: result.between }
  },
)
