/** Which entries a list shows: found, narrowed, sorted, grouped, and cut into screens. */
export { type Bits } from './bits'
export { type Listed, type List, type Source, findList } from './list'
export { type Where } from './where'
export { type Totals } from './column'
export {
  type Asked,
  type FilterChoice,
  type Facet,
  type Filter,
  filterAs,
  filtersOf,
  parameterNames,
  parametersNamed,
  plainName,
  readAsked,
  slugOfKey,
} from './filters'
export { type Sort, type Sorting, collatorOf } from './order'
export { type Group, type Grouping, groupOf } from './groups'
export { type Related, type Relating, relatedTo } from './related'
export { type Ledger, ledgerOf } from './ledger'
export { MARKED, PAGE, SORT, readScreen, screensAround, screensOf, writeAsked } from './paging'
export { spotsOf } from './spots'
export { type Month, isMonth, monthOfEntries } from './month'
