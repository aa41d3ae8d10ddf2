/** What anything of a site is known by, for life. */
export type Id = string
