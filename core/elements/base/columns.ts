/** How many columns stand beside one another, for elements that ask for it: a class that each reads in its own way. */
export const COLUMNS_CSS = [1, 2, 3, 4, 5, 6].map((k) => `.of-k${k}{--k:${k}}`).join('')
