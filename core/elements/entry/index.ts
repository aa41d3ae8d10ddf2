import type { ElementSpec } from '../base'
import { contents } from './contents'
import { documents } from './documents'
import { facts } from './facts'
import { features } from './features'
import { neighbours } from './neighbours'
import { personCard } from './person-card'
import { favourite } from './favourite'
import { termList } from './term-list'
import { entryContent } from './entry-content'
import { field } from './field'
import { leadPicture } from '../pictures'

/** Elements that show an entry, in the order of the elements panel. */
export const ENTRY: readonly ElementSpec[] = [
  leadPicture,
  field,
  facts,
  features,
  entryContent,
  documents,
  contents,
  personCard,
  neighbours,
  termList,
  favourite,
]
