/**
 * What may be meant is offered while somebody types, in the platform's own list of the field; a title that is chosen
 * leads to its page. The answer is that of OpenSearch suggestions: words, titles, descriptions, addresses.
 */

type Suggestions = [words: string, titles: string[], about: string[], addresses: string[]]

/** Somebody who types is offered something when the keys have rested so long, in milliseconds. */
const REST = 160
const TYPED = ['insertText', 'deleteContentBackward']

function attend(field: HTMLInputElement): void {
  const list = document.createElement('datalist')
  list.id = field.dataset.suggest!
  field.after(list)
  field.setAttribute('list', list.id)
  field.autocomplete = 'off'
  let asked = ''
  let addresses = new Map<string, string>()
  let timer = 0

  async function offer(): Promise<void> {
    const words = field.value.trim()
    if (words.length < 2 || words === asked) return
    asked = words
    try {
      const answer = await fetch(`/_of/suggest?q=${encodeURIComponent(words)}`)
      const [said, titles, about, to] = (await answer.json()) as Suggestions
      if (said !== asked) return
      addresses = new Map(titles.map((title, i) => [title, new URL(to[i]!).pathname]))
      list.replaceChildren(
        ...titles.map((value, i) => Object.assign(document.createElement('option'), { value, label: about[i] })),
      )
    } catch {
      // Nothing is offered: the search itself is asked by its button.
    }
  }

  field.addEventListener('input', (event) => {
    const address = addresses.get(field.value)
    if (address && !TYPED.includes((event as InputEvent).inputType)) {
      location.href = address
      return
    }
    clearTimeout(timer)
    timer = window.setTimeout(() => void offer(), REST)
  })
}

for (const field of document.querySelectorAll<HTMLInputElement>('[data-suggest]')) attend(field)

export {}
