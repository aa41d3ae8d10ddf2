import { PAGE_SCRIPTS, type ScriptName } from '../drawing'
import { shortHash } from '../styles'

/**
 * Scripts of published pages: small files by element (`page-scripts/`), sent only where the element stands. Everything is
 * usable without them, and each leaves alone what it does not find. A file never changes under its address.
 */

const FOLDER = '/_of/el/'
const NAMES = Object.keys(PAGE_SCRIPTS) as ScriptName[]
const ADDRESSES = new Map(NAMES.map((name) => [name, `${FOLDER}${name}.${shortHash(PAGE_SCRIPTS[name])}.js`]))
const BY_ADDRESS = new Map(NAMES.map((name) => [ADDRESSES.get(name)!, PAGE_SCRIPTS[name]]))

/** Where the script of an element is fetched from. */
export const scriptAddress = (name: ScriptName): string => ADDRESSES.get(name)!

/** Runs before anything is drawn: what it leaves out would jump away later. */
const AT_ONCE: ReadonlySet<ScriptName> = new Set(['notice'])

/** The tag that fetches a script. */
export const scriptTag = (name: ScriptName): string =>
  `<script${AT_ONCE.has(name) ? '' : ' defer'} src="${scriptAddress(name)}"></script>`

/** The script at an address; null where there is none. */
export const scriptAt = (address: string): string | null => BY_ADDRESS.get(address) ?? null

/** Every script by its address, for whoever writes a site to files. */
export const allScripts = (): ReadonlyMap<string, string> => BY_ADDRESS
