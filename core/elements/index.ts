export { ELEMENTS, elementSpec } from './list'
export { prop, type ElementSpec, type Names, type PartSpec, type PlacesSpec } from './base'
export { allScripts, scriptAddress, scriptAt, scriptTag } from './scripts'
export { parametersOfPlan, typesListed } from './lists'
export { entryList } from './lists'
export { filterForm } from './lists'
export { type WhyRelated, whyRelated } from './lists'
export { listedOn, parametersFor } from './lists'
export { newElement } from './new'
export { giverOf, givenTo, givenWithin, kindInKey, looksGiven, sortName, sortOf } from './given'
export { NEWS, NEWS_WORDS, type NewsWord, newsSays } from './forms'
export { ADDED } from './shop'
export { SHOP_FORM_HTML, shopSays } from './shop'
export { askedBy, asksFor, labelsOf } from './shop'
export { hasWork, isWork, lackingOn, workOf } from './needed'
export { STEP, seenInStep, stepAsked, stepsAmong } from './shop'
export { ORDER } from './shop'
export { checkoutWords } from './shop'
export { CHANGED, accountSays } from './site'
export { afterSignIn, signInSays } from './site'
export { SENT, TRAP, copyOf, daysKept, formOf, isForFiles, mailsOf, nextOf } from './forms'
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
export { describe as describeValue } from './base'
export { type Paper, namedOn, outline, paperOf, stripOf } from './lists'
