import type { ImportChoice, Unfit } from '#core/formats'

/**
 * What is done about each thing that a site does not have, until somebody chooses otherwise: what is called the same
 * here is used, else what the file carries is created, else its name is kept.
 */
export const likelyChoices = (unfit: readonly Unfit[]): Record<string, ImportChoice> =>
  Object.fromEntries(
    unfit.map(({ key, carried, like }): [string, ImportChoice] => [
      key,
      like !== null ? { do: 'use', id: like } : carried ? { do: 'create' } : { do: 'keep' },
    ]),
  )
