export { groupPages, mapRows, cellOf, type PageGroup, type MapRow, type Cell } from './rows'
export { targetsFor } from './targets-for'
