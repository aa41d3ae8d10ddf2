import type { IncomingHttpHeaders } from 'node:http'
import Bowser from 'bowser'
import type { Device } from '../../core/conditions'

/** What the answer varies by when it depends on the device. */
export const DEVICE_HEADERS = 'sec-ch-ua-mobile, sec-ch-ua-platform, user-agent'
/** Asks browsers for the hints by which the device is told. */
export const DEVICE_HINTS = 'Sec-CH-UA-Mobile, Sec-CH-UA-Platform'

const BY_PLATFORM: Record<string, Device> = { mobile: 'phone', tablet: 'tablet' }

/** The kind of device that asks: by client hints where they are sent, else by the user agent; a desktop when in doubt. */
export function deviceOf(headers: IncomingHttpHeaders): Device {
  const mobile = headers['sec-ch-ua-mobile']
  if (mobile === '?1') return 'phone'
  // Chromium on a tablet asks for pages as on a desktop, but names its platform.
  if (mobile === '?0' && headers['sec-ch-ua-platform'] === '"Android"') return 'tablet'
  const agent = headers['user-agent']
  if (!agent) return 'desktop'
  return BY_PLATFORM[Bowser.getParser(agent.slice(0, 500)).getPlatformType(true)] ?? 'desktop'
}
