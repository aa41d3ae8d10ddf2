import type { ComputedRef, InjectionKey } from 'vue'
import type { Id } from '#core/model'

/** The page types whose entries the element in hand lists: what is asked about their fields goes by them. */
export const LISTED_TYPES: InjectionKey<ComputedRef<Id[]>> = Symbol('listed types')
