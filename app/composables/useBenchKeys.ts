import { useBench } from '~/stores/bench'

export interface BenchHooks {
  add(): void
  editText(): void
  showKeys(): void
}

/** The keys of the bench, for the list that `?` shows and for the bar below. */
export const BENCH_KEYS: readonly { keys: string[]; does: string }[] = [
  { keys: ['A'], does: 'add something after' },
  { keys: ['Enter'], does: 'edit what it says' },
  { keys: ['D'], does: 'duplicate' },
  { keys: ['X'], does: 'remove' },
  { keys: ['↑', '↓'], does: 'go through the plan' },
  { keys: ['←', '→'], does: 'to the parent, to the first thing inside' },
  { keys: ['Alt', '↑ ↓ ← →'], does: 'move' },
  { keys: ['[', ']'], does: 'narrower, wider column' },
  { keys: ['Ctrl', 'C'], does: 'copy' },
  { keys: ['Ctrl', 'V'], does: 'paste, also in another layout' },
  { keys: ['Ctrl', 'Z'], does: 'undo' },
  { keys: ['Ctrl', 'Shift', 'Z'], does: 'redo' },
  { keys: ['Esc'], does: 'to the parent' },
  { keys: ['?'], does: 'this list' },
]

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof Element &&
  target.closest(
    'input, textarea, select, [contenteditable="true"], [role="dialog"], [role="listbox"], [role="menu"]',
  ) !== null

/** Gives the handler for key presses, wherever on the bench they happen. */
export function useBenchKeys(hooks: BenchHooks) {
  const bench = useBench()
  const actions = useBenchActions()

  const PLAIN: Record<string, () => void> = {
    a: hooks.add,
    Enter: hooks.editText,
    d: actions.duplicate,
    x: actions.remove,
    Delete: actions.remove,
    c: actions.copy,
    v: actions.paste,
    '[': () => actions.changeSpan(-1),
    ']': () => actions.changeSpan(1),
    ArrowDown: () => actions.go('next'),
    ArrowUp: () => actions.go('previous'),
    ArrowLeft: () => actions.go('parent'),
    ArrowRight: () => actions.go('child'),
    Escape: () => actions.go('parent'),
    '?': hooks.showKeys,
  }
  const COMMAND: Record<string, (shift: boolean) => void> = {
    z: (shift) => (shift ? bench.redo() : bench.undo()),
    y: () => bench.redo(),
    c: actions.copy,
    v: actions.paste,
  }
  const MOVES = { ArrowUp: 'up', ArrowDown: 'down', ArrowLeft: 'left', ArrowRight: 'right' } as const

  function handlerFor(event: KeyboardEvent): (() => void) | undefined {
    const command = event.ctrlKey || event.metaKey
    const key = event.key.length === 1 ? event.key.toLowerCase() : event.key
    if (command) {
      const run = Object.hasOwn(COMMAND, key) ? COMMAND[key] : undefined
      return run && (() => run(event.shiftKey))
    }
    if (event.altKey) {
      const direction = MOVES[key as keyof typeof MOVES]
      return direction && (() => actions.move(direction))
    }
    return Object.hasOwn(PLAIN, key) ? PLAIN[key] : undefined
  }

  return (event: KeyboardEvent): void => {
    if (isTyping(event.target) || event.defaultPrevented) return
    // Buttons keep Enter and the space bar for themselves.
    if (event.key === 'Enter' && event.target instanceof Element && event.target.closest('button, a, summary')) return
    const run = handlerFor(event)
    if (!run) return
    event.preventDefault()
    run()
  }
}
