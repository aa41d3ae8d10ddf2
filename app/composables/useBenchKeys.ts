import { useBench } from '~/stores/bench'

export interface BenchHooks {
  add(): void
  editText(): void
  showKeys(): void
  find(): void
}

/** The keys of the bench, for the list that `?` shows and for the bar below. */
export const BENCH_KEYS: readonly { keys: string[]; does: string }[] = [
  { keys: ['A'], does: 'add something after' },
  { keys: ['Enter'], does: 'edit what it says' },
  { keys: ['D'], does: 'duplicate' },
  { keys: ['X'], does: 'remove' },
  { keys: ['↑', '↓'], does: 'go through the plan' },
  { keys: ['←', '→'], does: 'to the parent, to the first thing inside' },
  { keys: ['Shift', '↑ ↓'], does: 'take the neighbour into the hand too' },
  { keys: ['Alt', '↑ ↓ ← →'], does: 'move' },
  { keys: ['[', ']'], does: 'narrower, wider column' },
  { keys: ['S'], does: 'split a column' },
  { keys: ['M'], does: 'merge columns' },
  { keys: ['Ctrl', 'C'], does: 'copy' },
  { keys: ['Ctrl', 'V'], does: 'paste, also in another layout' },
  { keys: ['Ctrl', 'Z'], does: 'undo' },
  { keys: ['Ctrl', 'Shift', 'Z'], does: 'redo' },
  { keys: ['Ctrl', 'K'], does: 'find and do anything' },
  { keys: ['Esc'], does: 'to the parent; from a field, to the plan' },
  { keys: ['?'], does: 'this list' },
]

const WRITTEN_IN = 'input, textarea, select, [contenteditable="true"], [role="dialog"], [role="listbox"], [role="menu"]'

const within = (target: EventTarget | null, selector: string): boolean =>
  target instanceof Element && target.closest(selector) !== null

/** Whether a key was pressed in the plan, or with nothing in particular having the focus. */
const isOnBench = (target: EventTarget | null): boolean =>
  target instanceof Element &&
  (target === target.ownerDocument.body || target.closest('[role="tree"], [data-keys]') !== null)

/** Whether a key does something of its own where the focus is: presses a button, follows a link. */
const isPress = (event: KeyboardEvent): boolean =>
  (event.key === 'Enter' || event.key === ' ') && within(event.target, 'button, a, summary')

/** Gives the handlers for key presses in the studio's window and in the page on the bench. */
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
    s: actions.split,
    m: actions.merge,
    '[': () => actions.changeSpan(-1),
    ']': () => actions.changeSpan(1),
    ArrowDown: () => actions.go('next'),
    ArrowUp: () => actions.go('previous'),
    ArrowLeft: () => actions.go('parent'),
    ArrowRight: () => actions.go('child'),
    Escape: () => actions.go('parent'),
    '?': hooks.showKeys,
  }
  const SHIFTED: Record<string, () => void> = {
    ArrowDown: () => actions.extend(1),
    ArrowUp: () => actions.extend(-1),
    '?': hooks.showKeys,
  }
  const COMMAND: Record<string, (shift: boolean) => void> = {
    z: (shift) => (shift ? bench.redo() : bench.undo()),
    y: () => bench.redo(),
    c: actions.copy,
    v: actions.paste,
    k: hooks.find,
  }
  const MOVES = { ArrowUp: 'up', ArrowDown: 'down', ArrowLeft: 'left', ArrowRight: 'right' } as const
  const own = <T>(table: Record<string, T>, key: string): T | undefined =>
    Object.hasOwn(table, key) ? table[key] : undefined

  function commandFor(event: KeyboardEvent, key: string): (() => void) | undefined {
    const run = own(COMMAND, key)
    return run && (() => run(event.shiftKey))
  }

  function plainFor(event: KeyboardEvent, key: string): (() => void) | undefined {
    const direction = event.altKey ? MOVES[key as keyof typeof MOVES] : undefined
    if (event.altKey) return direction && (() => actions.move(direction))
    return (event.shiftKey ? own(SHIFTED, key) : undefined) ?? own(PLAIN, key)
  }

  /** `onBench` says that the key was pressed where single letters act; elsewhere only commands do. */
  function handle(event: KeyboardEvent, onBench: boolean): void {
    if (event.defaultPrevented || event.isComposing) return
    const key = event.key.length === 1 ? event.key.toLowerCase() : event.key
    const isCommand = event.ctrlKey || event.metaKey
    const run = isCommand ? commandFor(event, key) : onBench ? plainFor(event, key) : undefined
    if (!run) return
    event.preventDefault()
    run()
  }

  function onWindow(event: KeyboardEvent): void {
    if (within(event.target, WRITTEN_IN) || isPress(event)) return
    handle(event, isOnBench(event.target))
  }

  return { onWindow, onPage: (event: KeyboardEvent) => handle(event, true) }
}
