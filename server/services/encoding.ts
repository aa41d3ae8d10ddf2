import Negotiator from 'negotiator'

/** What browsers send is one of a few texts, so each is read once. */
const read = new Map<string, boolean>()
const MOST_KEPT = 200

/** Whether an answer may be compressed with gzip, by what a request says it takes. */
export function takesGzip(accepted: string | string[] | undefined): boolean {
  const text = String(accepted ?? '')
  let takes = read.get(text)
  if (takes === undefined) {
    if (read.size >= MOST_KEPT) read.clear()
    const negotiator = new Negotiator({ headers: { 'accept-encoding': text } })
    read.set(text, (takes = text !== '' && negotiator.encoding(['gzip', 'identity']) === 'gzip'))
  }
  return takes
}
