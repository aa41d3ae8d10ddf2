import StarterKit from '@tiptap/starter-kit'
import { type AnyExtension, useEditor } from '@tiptap/vue-3'
import { type RichDoc, safeAddress } from '#core/site'

export interface RichOptions {
  doc(): RichDoc
  label: string
  extensions?: AnyExtension[]
  changed(doc: RichDoc): void
}

/** Running text with what the renderer draws of it: emphasis, lists, headings, quotes, links. */
export function useRichEditor(options: RichOptions) {
  const editor = useEditor({
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
      ...(options.extensions ?? []),
    ],
    editorProps: {
      attributes: {
        class: 'rich-input min-h-20 px-2 py-1.5 outline-none',
        role: 'textbox',
        'aria-multiline': 'true',
        'aria-label': options.label,
      },
    },
    onUpdate: ({ editor: e }) => options.changed(e.getJSON() as RichDoc),
  })

  /** Takes over what was changed elsewhere (undo, another window); what was typed here comes back and is let be. */
  function takeOver(doc: RichDoc): void {
    if (editor.value && JSON.stringify(doc) !== JSON.stringify(editor.value.getJSON())) {
      editor.value.commands.setContent(doc, { emitUpdate: false })
    }
  }

  return { editor, takeOver }
}
