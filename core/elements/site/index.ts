import type { ElementSpec } from '../base'
import { backToTop } from './back-to-top'
import { contact } from './contact'
import { favouritesLink } from './favourites-link'
import { hours } from './hours'
import { social } from '../words'
import { menu } from './menu'
import { menuPanel } from './menu-panel'
import { searchBox } from './search-box'
import { account } from './account'
import { signIn } from './sign-in'
import { share } from './share'
import { siteName } from './site-name'
import { today } from './today'
import { trail } from './trail'

/** Elements that show what a whole site has, in the order of the elements panel. */
export const SITE: readonly ElementSpec[] = [
  siteName,
  menu,
  menuPanel,
  trail,
  searchBox,
  signIn,
  account,
  contact,
  hours,
  today,
  favouritesLink,
  social,
  share,
  backToTop,
]

export { CHANGED, accountSays } from './account'
export { afterSignIn, signInSays } from './sign-in'
