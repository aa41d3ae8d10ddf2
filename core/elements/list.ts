import { backToTop } from './back-to-top'
import { button } from './button'
import { buttons } from './buttons'
import { contact } from './contact'
import { contents } from './contents'
import { countdown } from './countdown'
import { divider } from './divider'
import { documents } from './entry/documents'
import { facts } from './entry/facts'
import { features } from './entry/features'
import { neighbours } from './entry/neighbours'
import { personCard } from './entry/person-card'
import { favourite } from './favourites/favourite'
import { favouritesLink } from './favourites/favourites-link'
import { termList } from './entry/term-list'
import { entryContent } from './entry-content'
import { calendar } from './lists/calendar'
import { entryList } from './lists/entry-list'
import { filterForm } from './lists/filter-form'
import { field } from './field'
import { heading } from './heading'
import { hours } from './hours'
import { film } from './pictures/film'
import { icon, iconWords } from './icon'
import { iconList, social } from './icon-lists'
import { image } from './pictures/image'
import { lostWords } from './lost-words'
import { notice } from './notice'
import { piece } from './piece'
import { pictureSet } from './pictures/picture-set'
import { slideshow } from './pictures/slideshow'
import { sound } from './pictures/sound'
import { table } from './table'
import { leadPicture } from './pictures/lead-picture'
import { linkList } from './link-list'
import { menu } from './menu'
import { menuPanel } from './menu-panel'
import { floorPlan } from './plan/floor-plan'
import { quote } from './quote'
import { form } from './forms/form'
import { question } from './forms/question'
import { newsletter } from './forms/newsletter'
import { send } from './forms/send'
import { searchBox } from './search-box'
import { billingAddress, deliveryAddress } from './shop/address'
import { basketLines } from './shop/basket-lines'
import { basketLink } from './shop/basket-link'
import { buy } from './shop/buy'
import { buyer } from './shop/buyer'
import { deliveryChoice, orderNote, paymentChoice } from './shop/choices'
import { discount } from './shop/discount'
import { orderStatus, receipt } from './shop/order'
import { orderSummary } from './shop/order-summary'
import { alsoLike } from './shop/also-like'
import { ownOrders } from './shop/own-orders'
import { checkoutSteps } from './shop/steps'
import { orderConsent, placeOrder } from './shop/place-order'
import { account } from './working/account'
import { signIn } from './working/sign-in'
import { sections } from './sections'
import { share } from './share'
import { siteName } from './site-name'
import { spacer } from './spacer'
import type { ElementSpec } from './spec'
import { tabs } from './tabs'
import { text } from './text'
import { today } from './today'
import { trail } from './trail'

/** Every element, in the order of the palette. */
export const ELEMENTS: readonly ElementSpec[] = [
  heading,
  text,
  quote,
  button,
  buttons,
  linkList,
  iconWords,
  iconList,
  table,
  notice,
  countdown,
  lostWords,
  image,
  leadPicture,
  pictureSet,
  icon,
  slideshow,
  film,
  sound,
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
  field,
  facts,
  features,
  entryContent,
  documents,
  contents,
  personCard,
  neighbours,
  floorPlan,
  entryList,
  termList,
  filterForm,
  calendar,
  favourite,
  form,
  question,
  send,
  newsletter,
  buy,
  basketLink,
  basketLines,
  discount,
  orderSummary,
  buyer,
  billingAddress,
  deliveryAddress,
  deliveryChoice,
  paymentChoice,
  orderNote,
  orderConsent,
  checkoutSteps,
  placeOrder,
  receipt,
  orderStatus,
  ownOrders,
  alsoLike,
  sections,
  tabs,
  divider,
  spacer,
  piece,
]

const BY_TYPE = new Map(ELEMENTS.map((e) => [e.type, e]))

export function elementSpec(type: string): ElementSpec | undefined {
  return BY_TYPE.get(type)
}
