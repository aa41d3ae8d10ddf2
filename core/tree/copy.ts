/**
 * A deep copy of plain data, without drafts and with prototypes of this realm: only such objects are drafted
 * when they are edited. (A structured clone has those of whoever cloned it.)
 */
export function copyOf<T>(value: T): T {
  return value === undefined ? value : (JSON.parse(JSON.stringify(value)) as T)
}
