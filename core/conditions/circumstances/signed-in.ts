import { exact, oneOf, yesNo, shapeOf } from '../../shape'
import type { CircumstanceSpec } from '../spec'

export interface SignedInCircumstance {
  kind: 'signed-in'
  yes: boolean
}

/** Signed in, or not. */
export const signedIn: CircumstanceSpec<SignedInCircumstance> = {
  shape: shapeOf<SignedInCircumstance>()(exact({ kind: oneOf(['signed-in']), yes: yesNo('Choose signed in or not') })),
  label: 'signed in or not',
  start: { kind: 'signed-in', yes: true },
  questions: [
    {
      part: 'yes',
      kind: 'one',
      label: 'Signed in',
      options: [
        { value: true, label: 'signed in' },
        { value: false, label: 'not signed in' },
      ],
    },
  ],
  needs: 'session',
  holds: ({ yes }, { signedIn }) => signedIn === yes,
  excludes: (a, b) => a.yes !== b.yes,
  words: ({ yes }) => (yes ? 'when signed in' : 'when not signed in'),
}
