import {
  type Shape,
  exact,
  judged,
  kinds,
  maybe,
  oneOf,
  optional,
  orNothing,
  pattern,
  shapeOf,
  text,
  yesNo,
} from '../shape'
import { shopShape } from '../selling'
import { isTimeZone } from '../time'
import { floorPlanShape } from './floor-plan'
import { keyOrNull, known, name } from './shapes'
import type { HomeChoice, SiteSettings } from './types'

/** The schemas of the settings of a site. */

export const homeShape = shapeOf<HomeChoice>()(
  kinds(
    {
      entry: exact({ kind: oneOf(['entry']), entry: text(120) }),
      archive: exact({ kind: oneOf(['archive']), type: text(120) }),
    },
    'kind',
    'home',
  ),
)

/** What a setting of the site can be, by its name. */
export const SETTINGS_SHAPES = {
  name: name('A site has a name of at most 200 characters'),
  tagline: text(500),
  origin: pattern(/^https?:\/\/[^\s/]{1,250}$/, 'the origin of the site is an address such as https://example.org'),
  locale: known((v) => new Intl.NumberFormat(v), 'a locale is written as en-GB'),
  currency: known(
    (v) => new Intl.NumberFormat('en', { style: 'currency', currency: v }),
    'a currency is written as EUR',
  ),
  timeZone: judged<string>((v) =>
    typeof v === 'string' && isTimeZone(v) ? null : 'a time zone is written as Europe/London',
  ),
  logo: keyOrNull(),
  icon: optional(keyOrNull()),
  fallbackPicture: keyOrNull(),
  home: homeShape,
  shop: yesNo(),
  selling: maybe(shopShape),
  signIn: yesNo(),
  search: optional(yesNo()),
  floorPlan: maybe(orNothing(floorPlanShape)),
} as const satisfies Record<keyof SiteSettings, Shape>

export const settingsShape = shapeOf<SiteSettings>()(exact(SETTINGS_SHAPES))
