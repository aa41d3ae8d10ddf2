/** What people who sign in may do, from least to most; each may do what those before it may. */
export const USER_ROLES = ['member', 'writer', 'designer', 'owner'] as const
export type Role = (typeof USER_ROLES)[number]

/** Whoever looks at the site: people who are not signed in are visitors. */
export const ROLES = ['visitor', ...USER_ROLES] as const

/** Whether a role includes another. */
export const includesRole = (has: Role, asked: Role): boolean => USER_ROLES.indexOf(has) >= USER_ROLES.indexOf(asked)
