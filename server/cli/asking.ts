import { DateWriter } from '../../core/time'
import { type Command, Option } from 'commander'
import { DEVICES, type Request } from '../../core/conditions'
import type { Parameters } from '../../core/addresses'
import { ROLES } from '../../core/model'
import { readAsking } from '../services/asking'
import type { Site } from './site'

/** Who asks, and when: the options that `why` and `map` have in common. */
export interface AskingOptions {
  role?: string
  device?: string
  at?: string
  signedIn?: string
  draft?: boolean
  data?: string
}

export function withAsking(command: Command): Command {
  return command
    .addOption(
      new Option('--role <role>', 'asked by somebody with this role; all but visitors are signed in').choices(ROLES),
    )
    .addOption(new Option('--device <device>', 'asked on this kind of device').choices(DEVICES))
    .option(
      '--at <time>',
      'asked at this day or time, as the clocks of the site show it: 2026-03-29 or 2026-03-29T14:00',
    )
    .addOption(new Option('--signed-in <yes|no>', 'asked by somebody who is signed in, or not').choices(['yes', 'no']))
    .option('--draft', 'under the draft instead of what visitors see')
}

export function requestOf(site: Site, options: AskingOptions, parameters: Parameters): Request {
  const { role, device, at, signedIn } = options
  return readAsking({ role, device, at, signedIn }, parameters, site.content.catalogue.site.settings.timeZone)
}

/** Who asks, as a line of text. */
export function askingText({ role, device, signedIn, at }: Request, timeZone: string): string {
  const time = new DateWriter('en-GB', { dateStyle: 'medium', timeStyle: 'short' }, timeZone).moment(at)
  return `asked by a ${role}, ${signedIn ? 'signed in' : 'not signed in'}, on a ${device}, ${time} (${timeZone})`
}
