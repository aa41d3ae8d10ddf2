import { exact, oneOf, texts } from '../../shape'
import { ROLES } from '../../model'
import { or } from '../../text'
import type { CircumstanceSpec } from '../spec'

export interface RoleCircumstance {
  kind: 'role'
  roles: string[]
}

/** Somebody with one of some roles. */
export const role: CircumstanceSpec<RoleCircumstance> = {
  shape: exact({
    kind: oneOf(['role']),
    roles: texts(new RegExp(`^(${ROLES.join('|')})$`), ROLES.length, 'Choose at least one role', 1),
  }),
  label: 'for a role',
  start: { kind: 'role', roles: [] },
  questions: [
    { part: 'roles', kind: 'several', label: 'Roles', options: ROLES.map((value) => ({ value, label: value })) },
  ],
  needs: 'session',
  holds: ({ roles }, { role }) => roles.includes(role),
  excludes: (a, b) => !a.roles.some((r) => b.roles.includes(r)),
  words: ({ roles }) => `for ${or(roles.map((r) => `a ${r}`)) || 'nobody'}`,
}
