import { openDocument } from '../../services/editing'
import { STRUCTURE, STRUCTURE_ID } from '../../services/kept'
import { studioHandler } from '../../utils/studio'

/** Page types, their fields and taxonomies, with the latest edits. */
export default studioHandler('writer', ({ site }) => openDocument(site.db, STRUCTURE, STRUCTURE_ID))
