/** Fields that every subject has; what each comes to is said where fields are read. */
export const BUILT_IN_FIELDS = [
  'title',
  'summary',
  'description',
  'content',
  'picture',
  'date',
  'person',
  'mail',
  'phone',
  'type',
  'address',
  'count',
  'reading-time',
  'query',
  'near',
] as const
export type BuiltInField = (typeof BUILT_IN_FIELDS)[number]

/** Ids that no field of a page type may have: they are read as built in. */
export const BUILT_IN_IDS: ReadonlySet<string> = new Set(BUILT_IN_FIELDS)
