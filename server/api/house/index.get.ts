import { studioHandler } from '../../utils/studio'

/** The house style with the latest of its edits. */
export default studioHandler('writer', ({ site }) => site.draft.house())
