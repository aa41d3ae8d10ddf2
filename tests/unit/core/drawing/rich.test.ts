import { type Chunk, anchorAhead, anchoredChunk } from '#core/drawing'
import type { RichDoc, RichNode } from '#core/rich'

/** Long texts are drawn in parts, and come to the same as in one go. */

const words = (text: string): RichNode[] => [{ type: 'text', text }]
const long = (parts: number): RichDoc => ({
  type: 'doc',
  content: Array.from({ length: parts }, (_, i): RichNode =>
    i % 40 === 0
      ? { type: 'heading', attrs: { level: 2 }, content: words('The bells') }
      : { type: 'paragraph', content: words(`Stroke ${i} & its <echo>`) },
  ),
})

async function drawnAhead(doc: RichDoc): Promise<{ chunk: Chunk; turns: number }> {
  let turns = 0
  await anchorAhead(doc, () => (turns++, Promise.resolve()))
  return { chunk: anchoredChunk(doc), turns }
}

describe('a long text', () => {
  test('is drawn in turns with others, to the same, with headings led to by the same anchors', async () => {
    const { chunk, turns } = await drawnAhead(long(2000))
    expect(turns).toBeGreaterThan(1999)
    expect(chunk).toBe(anchoredChunk(long(2000)))
    expect(chunk).toContain('<h2 id="the-bells-2">The bells</h2>')
    expect(chunk).toContain('<p>Stroke 1999 &amp; its &lt;echo&gt;</p>')
  })

  test('is drawn ahead once, and short ones not at all', async () => {
    const doc = long(2000)
    await drawnAhead(doc)
    expect(anchorAhead(doc, () => undefined)).toBeUndefined()
    expect(anchorAhead(long(10), () => undefined)).toBeUndefined()
    expect(anchorAhead(null, () => undefined)).toBeUndefined()
  })
})
