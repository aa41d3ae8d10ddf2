import type { Catalogue } from '../catalogue'
import { directionOf } from '../text'
import { ICON_SIZES, iconAddress } from './icons'
import { xml, xmlDocument, xmlText } from './xml'

/** What browsers are told of a site as a whole. */

/** How it is searched (OpenSearch 1.1); names have sixteen characters there. */
export function searchDescription(catalogue: Catalogue): string {
  const { name, tagline, origin } = catalogue.site.settings
  const address = catalogue.page('search')?.address ?? '/search'
  return xmlDocument(
    xml(
      'OpenSearchDescription',
      { xmlns: 'http://a9.com/-/spec/opensearch/1.1/' },
      xml('ShortName', {}, xmlText([...name].slice(0, 16).join(''))),
      xml('LongName', {}, xmlText([...name].slice(0, 48).join(''))),
      xml('Description', {}, xmlText(tagline || name)),
      xml('InputEncoding', {}, 'UTF-8'),
      xml('Url', { type: 'text/html', template: `${origin}${encodeURI(address)}?q={searchTerms}` }),
    ),
  )
}

/** How it stands among other applications (Web Application Manifest). */
export function manifestOf(catalogue: Catalogue): string {
  const { name, tagline, locale } = catalogue.site.settings
  const icons = ICON_SIZES.flatMap((size) => {
    const src = iconAddress(catalogue, size)
    return src ? [{ src, sizes: `${size}x${size}`, type: 'image/png' }] : []
  })
  return JSON.stringify({
    name,
    ...(tagline && { description: tagline }),
    lang: locale,
    dir: directionOf(locale),
    start_url: '/',
    display: 'browser',
    icons,
  })
}
