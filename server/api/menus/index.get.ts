import { openDocument } from '../../services/editing'
import { MENUS, MENUS_ID } from '../../services/kept'
import { studioHandler } from '../../utils/studio'

/** All menus, with the latest edits. */
export default studioHandler('writer', ({ site }) => openDocument(site.db, MENUS, MENUS_ID))
