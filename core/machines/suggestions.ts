import { type Catalogue, entryName } from '../catalogue'
import type { Entry } from '../model'

/** What may be meant while somebody types, in the form of OpenSearch suggestions: the words, titles, descriptions, addresses. */
export function suggestionsOf(words: string, entries: readonly Entry[], catalogue: Catalogue): string {
  const { origin } = catalogue.site.settings
  const led = entries.flatMap((entry) => {
    const type = catalogue.types.get(entry.type)
    const to = catalogue.addressOf(entry.id)
    return to === null ? [] : [{ title: entryName(entry, type), about: type?.name ?? '', to: origin + to }]
  })
  return JSON.stringify([words, led.map((l) => l.title), led.map((l) => l.about), led.map((l) => l.to)])
}
