import type { Page } from '../model'

/** Pages in the order of the Map, found by address and key; what changes is put in, taken out and replaced one by one. */
export class PageList {
  readonly pages: Page[]
  private readonly byKey = new Map<string, Page>()
  private readonly byAddress = new Map<string, Page>()
  /** Addresses that several pages have: of them the first answers. */
  private readonly shared = new Map<string, number>()
  private indexes: Map<string, number> | null = null
  /** Where it is noted which pages come, go and change, by keys. */
  touched: Set<string> | null = null

  constructor(pages: readonly Page[]) {
    this.pages = [...pages]
    for (const page of this.pages) {
      this.byKey.set(page.key, page)
      this.count(page.address)
      if (page.address && !this.byAddress.has(page.address)) this.byAddress.set(page.address, page)
    }
  }

  private count(address: string): void {
    if (address && this.byAddress.has(address)) this.shared.set(address, (this.shared.get(address) ?? 1) + 1)
  }

  at(address: string): Page | undefined {
    return this.byAddress.get(address)
  }

  get(key: string): Page | undefined {
    return this.byKey.get(key)
  }

  indexOf(key: string): number | undefined {
    this.indexes ??= new Map(this.pages.map((page, i) => [page.key, i]))
    return this.indexes.get(key)
  }

  insert(page: Page, index: number): void {
    this.pages.splice(index, 0, page)
    this.indexes = null
    this.enter(page)
  }

  remove(page: Page): number {
    const index = this.pages.indexOf(page)
    this.pages.splice(index, 1)
    this.indexes = null
    this.leave(page)
    return index
  }

  replace(before: Page, after: Page): void {
    const index = this.pages.indexOf(before)
    this.pages[index] = after
    this.leave(before)
    this.enter(after)
  }

  /** Puts other pages in the place of all from an index on; those that are the same stay the same. */
  replaceFrom(index: number, pages: readonly Page[]): void {
    const old = this.pages.splice(index)
    const known = new Map(old.map((p) => [p.key, p]))
    const next = pages.map((p) => (samePage(known.get(p.key), p) ? known.get(p.key)! : p))
    this.indexes = null
    for (const page of old) this.leave(page)
    for (const page of next) {
      this.pages.push(page)
      this.enter(page)
    }
  }

  /** Notes every page as changed. */
  tellAll(touched: Set<string>): void {
    touched.add('pages')
    for (const { key } of this.pages) touched.add(`page:${key}`)
  }

  private tell(key: string): void {
    this.touched?.add('pages').add(`page:${key}`)
  }

  private enter(page: Page): void {
    const { key, address } = page
    this.tell(key)
    this.byKey.set(key, page)
    if (!address) return
    this.count(address)
    const other = this.byAddress.get(address)
    if (!other || this.pages.indexOf(page) < this.pages.indexOf(other)) this.byAddress.set(address, page)
  }

  private leave({ key, address }: Page): void {
    this.tell(key)
    this.byKey.delete(key)
    if (!address) return
    const many = (this.shared.get(address) ?? 1) - 1
    if (many > 1) this.shared.set(address, many)
    else this.shared.delete(address)
    // Whoever else has the address answers now; the one that leaves is out of the list, or is so right after.
    if (this.byAddress.get(address)?.key !== key) return
    this.byAddress.delete(address)
    const other = many > 0 ? this.pages.find((p) => p.address === address && p.key !== key) : undefined
    if (other) this.byAddress.set(address, other)
  }
}

export const samePage = (a: Page | undefined, b: Page): boolean =>
  a !== undefined &&
  a.address === b.address &&
  a.title === b.title &&
  a.type === b.type &&
  a.kind === b.kind &&
  a.entry === b.entry &&
  a.term === b.term &&
  a.taxonomy === b.taxonomy &&
  a.person === b.person &&
  a.time === b.time
