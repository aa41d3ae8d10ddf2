import type { Component } from 'vue'
import type { FieldInput } from '#core/fields'
import FieldChoiceInput from './FieldChoiceInput.vue'
import FieldChoicesInput from './FieldChoicesInput.vue'
import FieldDateInput from './FieldDateInput.vue'
import FieldDocumentsInput from './FieldDocumentsInput.vue'
import FieldEntryInput from './FieldEntryInput.vue'
import FieldLinkInput from './FieldLinkInput.vue'
import FieldMomentInput from './FieldMomentInput.vue'
import FieldNumberInput from './FieldNumberInput.vue'
import FieldOffersInput from './FieldOffersInput.vue'
import FieldPersonInput from './FieldPersonInput.vue'
import FieldPictureInput from './FieldPictureInput.vue'
import FieldPicturesInput from './FieldPicturesInput.vue'
import FieldPositionInput from './FieldPositionInput.vue'
import FieldRichInput from './FieldRichInput.vue'
import FieldTextInput from './FieldTextInput.vue'
import FieldYesNoInput from './FieldYesNoInput.vue'

/** The component of each input in which fields are filled in. Each is told the field and its value, and sets it. */
export const INPUTS: Readonly<Record<FieldInput, Component>> = {
  text: FieldTextInput,
  rich: FieldRichInput,
  number: FieldNumberInput,
  date: FieldDateInput,
  moment: FieldMomentInput,
  'yes-no': FieldYesNoInput,
  choice: FieldChoiceInput,
  choices: FieldChoicesInput,
  picture: FieldPictureInput,
  pictures: FieldPicturesInput,
  documents: FieldDocumentsInput,
  offers: FieldOffersInput,
  link: FieldLinkInput,
  position: FieldPositionInput,
  person: FieldPersonInput,
  entry: FieldEntryInput,
}
