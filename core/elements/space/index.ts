import type { ElementSpec } from '../base'
import { divider } from './divider'
import { piece } from './piece'
import { sections } from './sections'
import { spacer } from './spacer'
import { tabs } from './tabs'

/** Elements that divide, space and hold others, in the order of the elements panel. */
export const SPACE: readonly ElementSpec[] = [sections, tabs, divider, spacer, piece]
