import { problem } from '#core/problems'

/** A file on its way to the server. */
export interface Upload {
  id: number
  name: string
  /** From 0 to 1. */
  progress: number
  /** Why it was not taken; empty while it is on its way. */
  failed: string
  cancel(): void
}

/** So many are sent at once; the others wait. */
const AT_ONCE = 2

/**
 * Sends files one by one, each as the body of a request of its own, so that one can be watched and called back
 * without the others. What has arrived is handed over and leaves the list; what was refused stays until it is read.
 */
export function useUploads<T>(
  path: () => string,
  done: (answer: T, file: File) => void,
  method: 'POST' | 'PUT' = 'POST',
) {
  const uploads = ref<Upload[]>([])
  const waiting: (() => void)[] = []
  let running = 0
  let last = 0

  function next(): void {
    while (running < AT_ONCE && waiting.length > 0) {
      running++
      waiting.shift()!()
    }
  }
  const leave = (id: number) => (uploads.value = uploads.value.filter((u) => u.id !== id))

  function send(file: File): void {
    const id = ++last
    const request = new XMLHttpRequest()
    const upload: Upload = {
      id,
      name: file.name || 'pasted picture',
      progress: 0,
      failed: '',
      cancel() {
        request.abort()
        leave(id)
      },
    }
    uploads.value = [...uploads.value, upload]
    const change = (change: Partial<Upload>) =>
      (uploads.value = uploads.value.map((u) => (u.id === id ? { ...u, ...change } : u)))
    const end = () => {
      running--
      next()
    }
    waiting.push(() => {
      if (!uploads.value.some((u) => u.id === id)) return end()
      const { csrf, headerName } = useCsrf()
      request.open(method, `/api${path()}?name=${encodeURIComponent(upload.name)}`)
      request.setRequestHeader(headerName, csrf)
      request.setRequestHeader('content-type', 'application/octet-stream')
      request.upload.onprogress = ({ loaded, total }) => change({ progress: total ? loaded / total : 0 })
      request.onload = () => {
        end()
        const answer = readAnswer(request.responseText)
        if (request.status === 200) {
          leave(id)
          done(answer as T, file)
        } else change({ failed: answer?.problem?.sentence ?? problem('unexpected').sentence })
      }
      request.onerror = () => {
        end()
        change({ failed: 'The server could not be reached. Send the file again in a moment.' })
      }
      request.onabort = end
      request.send(file)
    })
    next()
  }

  return { uploads, send: (files: Iterable<File>) => [...files].forEach(send) }
}

function readAnswer(text: string): { problem?: { sentence: string } } | null {
  try {
    return JSON.parse(text) as { problem?: { sentence: string } }
  } catch {
    return null
  }
}

/** The files that something dropped or pasted brings along. */
export const filesOf = (data: DataTransfer | null): File[] => [...(data?.files ?? [])]
