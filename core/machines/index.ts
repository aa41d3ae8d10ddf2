/** What is told of a site to programs: feeds, calendars, the list of its pages, what each of them is about. */
export { feedOf } from './atom'
export { calendarOf } from './calendar'
export { linkedData, linkedText } from './linked'
export { isMachineAddress, machineFile, machineLinks, type MachineFile } from './files'
export { sharedAs, sharedPicture } from './shared'
export { sitemapOf } from './sitemap'
export { KINDS, ROLES, descriptionOf, fieldsFor, pictureOfPage, titleOf, toldAs } from './told'
export { suggestionsOf } from './suggestions'
