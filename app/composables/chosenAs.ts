import type { Layout } from '#core/tree'

const MOST = 48

/** A layout where one is chosen among several: its name, and what it is for as far as there is room. */
export function chosenAs({ name, about = '' }: Pick<Layout, 'name' | 'about'>): string {
  if (about === '') return name
  const letters = [...about]
  return `${name}: ${letters.length > MOST ? `${letters.slice(0, MOST).join('')}…` : about}`
}
