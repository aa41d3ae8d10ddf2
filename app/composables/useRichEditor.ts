import { Extension } from '@tiptap/core'
import StarterKit from '@tiptap/starter-kit'
import { type AnyExtension, type EditorOptions, useEditor } from '@tiptap/vue-3'
import type { RichDoc } from '#core/rich'
import { safeAddress } from '#core/addresses'
import { counted } from '#core/text'

export interface RichOptions {
  doc(): RichDoc
  label: string
  extensions?: AnyExtension[]
  changed(doc: RichDoc): void
  /** Told when so much is pasted that no text holds it. */
  tooMuch?(characters: number): void
}

/** No more than this is pasted in one go. */
const MOST_PASTED = 100_000

/** Why so much is not pasted. */
export const tooMuchWords = (characters: number): string =>
  `What you pasted has ${counted(characters, 'character')}; at most ${counted(MOST_PASTED, 'character')} are taken at once. Nothing was changed.`

/** A link may name a page of the site, wherever that stands. */
const pageLinks = Extension.create({
  name: 'pageLinks',
  addGlobalAttributes: () => [
    {
      types: ['link'],
      attributes: {
        page: {
          default: null,
          parseHTML: (element) => element.getAttribute('data-page'),
          renderHTML: ({ page }) => (page ? { 'data-page': page as string } : {}),
        },
      },
    },
  ],
})

/** How running text is written: with what the renderer draws of it (emphasis, lists, headings, quotes, links). */
export function richEditorOptions(options: RichOptions): Partial<EditorOptions> {
  return {
    content: options.doc(),
    extensions: [
      StarterKit.configure({
        code: false,
        codeBlock: false,
        strike: false,
        underline: false,
        heading: { levels: [2, 3, 4] },
        link: { openOnClick: false, isAllowedUri: (uri) => safeAddress(uri) !== null },
      }),
      pageLinks,
      ...(options.extensions ?? []),
    ],
    editorProps: {
      attributes: { role: 'textbox', 'aria-multiline': 'true', 'aria-label': options.label },
      transformPastedHTML: (html) => pastedHtml(html, (text) => new DOMParser().parseFromString(text, 'text/html')),
      handlePaste(_, event) {
        const length = event.clipboardData?.getData('text/plain').length ?? 0
        if (length <= MOST_PASTED) return false
        options.tooMuch?.(length)
        return true
      },
    },
    onUpdate: ({ editor: e }) => options.changed(e.getJSON() as RichDoc),
  }
}

/** An editor of running text in the studio's own panels. */
export function useRichEditor(options: RichOptions) {
  const base = richEditorOptions(options)
  const editor = useEditor({
    ...base,
    editorProps: {
      ...base.editorProps,
      attributes: {
        ...(base.editorProps!.attributes as Record<string, string>),
        class: 'rich-input min-h-20 px-2 py-1.5 outline-none',
      },
    },
  })

  /** Takes over what was changed elsewhere (undo, another window); what was typed here comes back and is let be. */
  function takeOver(doc: RichDoc): void {
    if (editor.value && JSON.stringify(doc) !== JSON.stringify(editor.value.getJSON())) {
      editor.value.commands.setContent(doc, { emitUpdate: false })
    }
  }

  return { editor, takeOver }
}
