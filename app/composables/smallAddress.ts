import { pictureAddress, sizedAddress } from '#core/drawing'
import type { Picture } from '#core/model'

/** The address of a picture as small as it lies ready, for lists; the whole of one that has no sizes. */
export function smallAddress(picture: Picture): string {
  const [smallest] = picture.widths ?? []
  return smallest && picture.hash ? sizedAddress(picture, smallest, 'webp') : pictureAddress(picture)
}
