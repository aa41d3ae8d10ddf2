import { useEventListener } from '@vueuse/core'
import { nanoid } from 'nanoid'
import type { LogRecord } from '#core/edits'
import type { Edit } from '#core/layouts'
import type { Id } from '#core/model'
import type { LiveEvent, LivePerson } from '#shared/api/types'
import { useBench } from '~/stores/bench'
import { useDesign } from '~/stores/design'
import { useNotices } from '~/stores/notices'
import { usePieces } from '~/stores/pieces'
import { useSite } from '~/stores/site'

/** How long what is in hand must stay the same before others are told, in milliseconds. */
const CALM = 250

/** Hears what others do to the layout on the bench, as it happens, and tells them what is in hand here. */
export function useLive(layout: () => Id) {
  const bench = useBench()
  const notices = useNotices()
  const site = useSite()
  const design = useDesign()
  const pieces = usePieces()
  const window = nanoid(12)
  let source: EventSource | null = null
  let timer: ReturnType<typeof setTimeout> | undefined

  const HEAR: { [K in LiveEvent['kind']]: (event: Extract<LiveEvent, { kind: K }>) => void } = {
    hello: ({ revision }) => bench.hear(revision, []),
    people: ({ people }) => (bench.people = people),
    edits: ({ revision, records }) => bench.hear(revision, records as readonly LogRecord<Edit>[]),
    removed: ({ by }) =>
      notices.fail(
        new Error(
          `${by} removed this layout. It can be put back on the shelf of layouts; what you do here is kept until then.`,
        ),
      ),
    // What is edited in place here hears it as the piece that it is.
    base: ({ id }) =>
      id === pieces.entered ? pieces.refresh() : void design.loadLayout(id).then(bench.refresh, () => {}),
    // A window that cannot ask now hears of it with the next change.
    changed: ({ what }) => void (what === 'content' ? site.load() : design.load()).catch(() => {}),
    alive: () => {},
  }

  // A browser has few connections to one server: a window that nobody looks at keeps none, and hears all when it is seen again.
  useEventListener(document, 'visibilitychange', () => (document.hidden ? source?.close() : listen(layout())))

  function listen(id: Id): void {
    source?.close()
    if (document.hidden) return
    bench.people = []
    source = new EventSource(`/api/layouts/${encodeURIComponent(id)}/live?window=${window}`)
    source.onmessage = ({ data }) => {
      const event = JSON.parse(String(data)) as LiveEvent
      ;(HEAR[event.kind] as (e: LiveEvent) => void)(event)
    }
  }

  watch(layout, listen)
  onMounted(() => listen(layout()))
  watch(
    () => bench.selected,
    (node) => {
      clearTimeout(timer)
      timer = setTimeout(() => void useApi('POST', `/layouts/${layout()}/at`, { window, node }).catch(() => {}), CALM)
    },
  )
  onBeforeUnmount(() => {
    clearTimeout(timer)
    source?.close()
    bench.people = []
  })
}

export type { LivePerson }
