/** Groups of the property sheet that are folded; kept while going from one thing to the next. */
const folded = ref<Set<string>>(new Set())

export const useFoldedGroups = () => folded
