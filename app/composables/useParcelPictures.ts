import { type ImportChoice, type Parcel, type ParcelPicture, withoutFiles } from '#core/formats'
import type { StoredPictureAnswer } from '#shared/api/types'

function fileOf({ bytes, fileName }: ParcelPicture): Blob {
  try {
    return new Blob([Uint8Array.from(atob(bytes!), (c) => c.charCodeAt(0))], { type: 'application/octet-stream' })
  } catch {
    throw new Error(`The file of the picture ${fileName} cannot be read. The parcel may have been cut off.`)
  }
}

/** The pictures of a parcel, which go to the server as files, each by itself, before what shows them. */
export function useParcelPictures(parcel: () => Parcel) {
  /** How many are there by now, while they are brought. */
  const brought = ref(0)
  /** Asked only once the server has found that it is a parcel. */
  const files = computed(() => new Map((parcel().pictures ?? []).map((picture) => [picture.id, picture])))
  const sent = computed(() => withoutFiles(parcel()))

  async function add(brought: ParcelPicture): Promise<string> {
    const { fileName, alt, caption = '', focus = null } = brought
    const name = encodeURIComponent(fileName)
    const { picture } = await useApi<StoredPictureAnswer>('POST', `/pictures?name=${name}`, fileOf(brought))
    // One that was here already is described as people here describe it.
    if (picture.alt === '' && (alt || caption)) await useApi('PUT', `/pictures/${picture.id}`, { alt, caption, focus })
    return picture.id
  }

  async function replace(picture: ParcelPicture): Promise<string> {
    const { id, fileName } = picture
    await useApi('PUT', `/pictures/${id}/file?name=${encodeURIComponent(fileName)}`, fileOf(picture))
    return id
  }

  /** Brings some of them in; gives what they are called here, as choices. What is here already is found again. */
  async function bring(chosen: readonly { id: string; replaces: boolean }[]): Promise<Record<string, ImportChoice>> {
    const choices: Record<string, ImportChoice> = {}
    brought.value = 0
    for (const { id, replaces } of chosen) {
      const picture = files.value.get(id)!
      choices[`picture ${id}`] = { do: 'use', id: await (replaces ? replace(picture) : add(picture)) }
      brought.value++
    }
    return choices
  }

  return { sent, brought, bring, hasFile: (id: string) => Boolean(files.value.get(id)?.bytes) }
}
