import type { ElementSpec } from '../base'
import { film } from './film'
import { image } from './image'
import { pictureSet } from './picture-set'
import { slideshow } from './slideshow'
import { sound } from './sound'
import { icon } from '../words'

/** Elements of pictures, film and sound, in the order of the elements panel. */
export const PICTURES: readonly ElementSpec[] = [image, pictureSet, icon, slideshow, film, sound]

export { leadPicture } from './lead-picture'
export { PICTURE_CSS } from './figure'
