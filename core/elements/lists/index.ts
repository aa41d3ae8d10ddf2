import type { ElementSpec } from '../base'
import { calendar } from './calendar'
import { entryList } from './entry-list'
import { filterForm } from './filter-form'
import { floorPlan } from './floor-plan'

/** Elements that show several entries, in the order of the elements panel. */
export const LISTS: readonly ElementSpec[] = [floorPlan, entryList, filterForm, calendar]

export { entryList } from './entry-list'
export { filterForm } from './filter-form'
export { parametersOfPlan, typesListed } from './plan'
export { type WhyRelated, whyRelated } from './why'
export { listedOn, parametersFor } from './listed'
export { namedOn, outline, paperOf, stripOf, type Paper } from './plan-outline'
export { titleLink } from './cards'
