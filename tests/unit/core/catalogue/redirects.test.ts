import fc from 'fast-check'
import { Catalogue, redirectOfEntry, redirectsOfStructure, refuseRedirect, settledRedirect } from '#core/catalogue'
import type { Redirect, Site, Structure } from '#core/model'
import { makeDemo } from '#demo/index'

const { site } = makeDemo()
const before = new Catalogue(site)
const withRedirects = (redirects: Redirect[], over: Partial<Site> = {}) =>
  new Catalogue({ ...site, ...over, redirects })

/** Everything that was reached before is reached still: at its address, or led to where it is now. */
function expectAllReached(after: Catalogue): void {
  for (const { key, address } of before.pages) {
    if (!address || !after.page(key)) continue
    const now = after.page(key)!.address
    expect([key, after.pageAt(address)?.key === key ? now : after.redirectOf(address)]).toEqual([key, now])
  }
}

test('an entry that gets another address is reached by the old one, with all that stands below it', () => {
  const visit = site.entries.find((e) => e.type === 'page' && site.entries.some((o) => o.parent === e.id))!
  const moved = { ...visit, slug: 'plan-a-visit' }
  const redirect = redirectOfEntry(visit, moved, before)!
  expect(redirect).toMatchObject({ to: { page: `entry:${visit.id}` }, branch: true })
  expectAllReached(withRedirects([redirect], { entries: site.entries.map((e) => (e.id === visit.id ? moved : e)) }))
  expect(redirectOfEntry(visit, { ...visit, title: 'Another' }, before)).toBeNull()
})

test('other first parts of types, taxonomies, terms and people lead every page on', () => {
  const after: Structure = {
    format: 1,
    types: site.types.map((t) => (t.slug ? { ...t, slug: `all-${t.slug}` } : { ...t, slug: 'pages' })),
    taxonomies: site.taxonomies.map((t) => ({ ...t, slug: `by-${t.slug}` })),
    terms: site.terms.map((t) => ({ ...t, slug: `${t.slug}-now` })),
    people: site.people.map((p) => ({ ...p, slug: `${p.slug}-now` })),
  }
  const tops = (type: string) => site.entries.filter((e) => e.type === type && e.parent === null)
  const { format: _, ...built } = after
  expectAllReached(withRedirects(redirectsOfStructure(site, after, tops), built))
})

test('chains are followed to their end, circles lead nowhere, and pages come first', () => {
  const visit = before.pages.find((p) => p.kind === 'entry')!
  const chain = withRedirects([
    { address: '/a', to: '/b' },
    { address: '/b', to: '/c' },
    { address: '/c', to: { page: visit.key } },
    { address: '/x', to: '/y' },
    { address: '/y', to: '/x' },
    { address: '/out', to: 'https://example.org/' },
    { address: '/gone', to: { page: 'entry:gone' } },
    { address: visit.address, to: '/b' },
  ])
  expect(['/a', '/b', '/c'].map((a) => chain.redirectOf(a))).toEqual(Array(3).fill(visit.address))
  expect([chain.redirectOf('/x'), chain.redirectOf('/gone')]).toEqual([undefined, undefined])
  expect(chain.redirectOf('/out')).toBe('https://example.org/')
  expect(chain.pageAt(visit.address)?.key).toBe(visit.key)
  expect(chain.redirectOf(visit.address)).toBeUndefined()
})

test('no set of redirects makes anything fail, or leads to an address that leads on', () => {
  const part = fc.constantFrom('a', 'b', 'c')
  const path = fc.array(part, { minLength: 1, maxLength: 3 }).map((parts) => `/${parts.join('/')}`)
  const redirect = fc
    .record({ address: path, to: path, branch: fc.boolean() })
    .map(({ branch, ...r }): Redirect => (branch ? { ...r, branch } : r))
  fc.assert(
    fc.property(fc.array(redirect, { maxLength: 8 }), path, (redirects, asked) => {
      const found = withRedirects(redirects).redirectOf(asked)
      if (found !== undefined) expect(withRedirects(redirects).redirectOf(found) ?? found).toBe(found)
    }),
  )
})

test('what would hide a page or lead to itself is refused; what leads to a page follows it', () => {
  const page = before.pages.find((p) => p.kind === 'archive')!
  expect(refuseRedirect({ address: page.address, to: '/a' }, before)).toMatch('would not be reached any more')
  expect(refuseRedirect({ address: '/a', to: '/a' }, before)).toBe('/a would lead to itself')
  expect(refuseRedirect({ address: '/b', to: '/a' }, withRedirects([{ address: '/a', to: '/b' }]))).toBe(
    '/b would lead to itself',
  )
  expect(refuseRedirect({ address: '/a', to: { page: 'entry:gone' } }, before)).toMatch('does not exist')
  expect(refuseRedirect({ address: '/a', to: 'https://example.org/x' }, before)).toBeNull()
  expect(settledRedirect({ address: '/a', to: page.address }, before)).toEqual({
    address: '/a',
    to: { page: page.key },
  })
})
