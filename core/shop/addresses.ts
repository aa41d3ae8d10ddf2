import { formatAddress } from 'localized-address-format'
import postalCode, { type PostalCodeLocale, locales } from 'validator/lib/isPostalCode.js'
import { each, exact, pattern, shapeOf } from '../shape'
import { COUNTRY } from '../selling'

/** Bundlers hand over what is exported by default, and Node all that is. */
const isPostalCode = (postalCode as unknown as { default?: typeof postalCode }).default ?? postalCode

/** Where somebody lives, asked for and written as people do in that country. */

/** Parts of an address, as they are asked for. */
export const ADDRESS_PARTS = ['name', 'organisation', 'line1', 'line2', 'quarter', 'city', 'area', 'code'] as const
export type AddressPart = (typeof ADDRESS_PARTS)[number]

export type Address = { country: string } & Record<AddressPart, string>

export const MOST_PART = 120

const line = () => pattern(/^[^\r\n]*$/, 'a part of an address is one line').max(MOST_PART)
export const addressShape = shapeOf<Address>()(
  exact({
    country: pattern(COUNTRY, 'a country is two letters, as GB'),
    ...each(ADDRESS_PARTS, line()),
  }),
)

/** What the formats of countries (libaddressinput, by way of `localized-address-format`) call each part. */
const named = (of: Record<AddressPart, string>, country: string) => ({
  postalCountry: country,
  name: of.name,
  organization: of.organisation,
  addressLines: [of.line1, of.line2].filter(Boolean),
  dependentLocality: of.quarter,
  locality: of.city,
  administrativeArea: of.area,
  postalCode: of.code,
})

const MARKS = Object.fromEntries(ADDRESS_PARTS.map((part, i) => [part, `\ue000${i}\ue001`])) as Record<
  AddressPart,
  string
>

const orders = new Map<string, AddressPart[]>()

/** The parts that an address has in a country, in the order in which they are written there. */
export function addressParts(country: string): AddressPart[] {
  let parts = orders.get(country)
  if (!parts) {
    const written = formatAddress(named(MARKS, country)).join('\n')
    parts = [...written.matchAll(/\ue000(\d)\ue001/g)].map((m) => ADDRESS_PARTS[Number(m[1])]!)
    orders.set(country, parts)
  }
  return parts
}

const knowsCode = (country: string): boolean => (locales as readonly string[]).includes(country)

/** Countries whose addresses need an area: a state, a province, an emirate (libaddressinput: S in `require`). */
const AREA_NEEDED = new Set(
  'AE AS AU BR CA CN CO ES FM HK HN ID IN IQ IT JM JP KN KR KY MH MX NR PG PW RU SO SR SV TW UM US VE'.split(' '),
)
/** Those that do not need a city (libaddressinput: no C in `require`). */
const NO_CITY_NEEDED = new Set('AE CO HK ID JP KY NR SG SR'.split(' '))
/** Those that need a postal code (libaddressinput: Z in `require`). */
const CODE_NEEDED = new Set(
  (
    'AS AT AU AX BE BL BR CA CH CN CZ DE DK EE ES FI FK FM FO FR GB GF GG GL GP GR GS GU HU IM IN IO IT JE JP KR LI ' +
    'LT LU LV MC MF MH MP MQ MX MY NC NL NO NZ PF PL PM PN PR PT PW RE RU SE SG SH SI SJ SK SM TC TR TW UA US VA VI ' +
    'WF YT ZA'
  ).split(' '),
)

/** Parts without which nothing arrives there, as libaddressinput lists them, and a name. */
export function neededParts(country: string): AddressPart[] {
  const needed = new Set<AddressPart>(['name', 'line1'])
  if (!NO_CITY_NEEDED.has(country)) needed.add('city')
  if (AREA_NEEDED.has(country)) needed.add('area')
  if (CODE_NEEDED.has(country)) needed.add('code')
  return addressParts(country).filter((part) => needed.has(part))
}

/** What is wrong with an address: parts that are missing, and a code that is none of the country. */
export function addressProblems(address: Address): Partial<Record<AddressPart, 'missing' | 'code'>> {
  const problems: Partial<Record<AddressPart, 'missing' | 'code'>> = {}
  const { country, code } = address
  for (const part of neededParts(country)) if (address[part].trim() === '') problems[part] = 'missing'
  if (code.trim() !== '' && knowsCode(country) && !isPostalCode(code.trim().toUpperCase(), country as PostalCodeLocale))
    problems.code = 'code'
  return problems
}

const names = new Map<string, Intl.DisplayNames>()

/** What a country is called in a language. */
export function countryName(country: string, locale: string): string {
  let of = names.get(locale)
  if (!of) names.set(locale, (of = new Intl.DisplayNames(locale, { type: 'region' })))
  return of.of(country) ?? country
}

const lists = new Map<string, { id: string; name: string }[]>()
const LETTERS = [...'ABCDEFGHIJKLMNOPQRSTUVWXYZ']
/** Names that Intl gives, and to which nobody can send: groups of countries, and codes for none. */
const NO_COUNTRIES = new Set(['EU', 'EZ', 'UN', 'XA', 'XB', 'ZZ', 'QO', 'AC', 'CP', 'DG', 'CQ', 'IC', 'EA', 'TA'])

/** All countries by their names in a language, in its order. */
export function allCountries(locale: string): { id: string; name: string }[] {
  let list = lists.get(locale)
  if (!list) {
    list = LETTERS.flatMap((a) => LETTERS.map((b) => a + b))
      .filter((id) => !NO_COUNTRIES.has(id) && countryName(id, locale) !== id && isCurrent(id))
      .map((id) => ({ id, name: countryName(id, locale) }))
      .sort((a, b) => a.name.localeCompare(b.name, locale))
    lists.set(locale, list)
  }
  return list
}

/** Intl knows codes of before by the names of what stands in their place. */
const isCurrent = (id: string): boolean => Intl.getCanonicalLocales(`und-${id}`)[0] === `und-${id}`

/** An address as it is written on a letter, the country last. */
export const addressLines = (address: Address, locale: string): string[] => [
  ...formatAddress(named(address, address.country)).filter((l) => l.trim() !== ''),
  countryName(address.country, locale),
]
