export { ELEMENTS, elementSpec } from './list'
export { prop, type ElementSpec, type Names, type PartSpec, type PlacesSpec } from './spec'
export { allScripts, scriptAddress, scriptAt, scriptTag } from './scripts'
export { parametersOfPlan, typesListed } from './lists/plan'
export { entryList } from './lists/entry-list'
export { filterForm } from './lists/filter-form'
export { type WhyRelated, whyRelated } from './lists/why'
export { listedOn, parametersFor } from './lists/listed'
export { newElement } from './new'
export { giverOf, givenTo, givenWithin, kindInKey, looksGiven, sortName, sortOf } from './given'
export { NEWS, NEWS_WORDS, type NewsWord, newsSays } from './forms/newsletter'
export { ADDED } from './shop/buy'
export { SHOP_FORM_HTML, shopSays } from './shop/form'
export { askedBy, asksFor, labelsOf } from './shop/asked'
export { hasWork, isWork, lackingOn, workOf } from './needed'
export { STEP, seenInStep, stepAsked, stepsAmong } from './shop/steps'
export { ORDER } from './shop/order'
export { checkoutWords } from './shop/place-order'
export { CHANGED, accountSays } from './working/account'
export { afterSignIn, signInSays } from './working/sign-in'
export { SENT, TRAP, copyOf, daysKept, formOf, isForFiles, mailsOf, nextOf } from './forms/form'
export { type Mark, sketchOf } from './sketch'
export {
  isAskedFor,
  kindName,
  nodeName,
  propertiesOf,
  filledProps,
  seeNode,
  fieldsNamed,
  entryFieldsNamed,
  looksAskedOf,
} from './nodes'
export { refuseProperty, refuseMeaning } from './accept'
export { type Colours, coloursIn, pageColours } from './colours'
export { describe as describeValue } from './words'
export { type Paper, namedOn, outline, paperOf, stripOf } from './plan/outline'
