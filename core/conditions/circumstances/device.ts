import { exact, oneOf, texts, shapeOf } from '../../shape'
import { or } from '../../text'
import { type CircumstanceSpec, DEVICES, type Device } from '../spec'

export interface DeviceCircumstance {
  kind: 'device'
  devices: Device[]
}

/** A device of one of some kinds. */
export const device: CircumstanceSpec<DeviceCircumstance> = {
  shape: shapeOf<DeviceCircumstance>()(
    exact({
      kind: oneOf(['device']),
      devices: texts<Device>(new RegExp(`^(${DEVICES.join('|')})$`), DEVICES.length, 'Choose at least one device', 1),
    }),
  ),
  label: 'on a device',
  start: { kind: 'device', devices: [] },
  questions: [
    {
      part: 'devices',
      kind: 'several',
      label: 'Devices',
      options: DEVICES.map((value) => ({ value, label: value })),
    },
  ],
  needs: 'device',
  holds: ({ devices }, { device }) => devices.includes(device),
  excludes: (a, b) => !a.devices.some((d) => b.devices.includes(d)),
  words: ({ devices }) => `on ${or(devices.map((d) => `a ${d}`)) || 'no device'}`,
}
