import type { Compile } from '../../drawing'
import type { ElementSpec } from '../base'

/**
 * The place of a shared piece. Where the piece is there, its rows or elements are drawn instead of this; see
 * `docs/pieces.md`.
 */
export const piece: ElementSpec = {
  type: 'piece',
  name: 'Piece',
  about: 'A row or an element that is kept once and shown in several layouts.',
  group: 'Space',
  props: { piece: { kind: 'piece', label: 'Piece', default: null } },
  ground: 'own',
  css: [],
  summary: (props, names) => (typeof props.piece === 'string' && names.piece?.(props.piece)) || '',
  /** Only a piece that cannot be shown is still here when a page is drawn: visitors see nothing of it. */
  draw: (element, compile: Compile) =>
    compile.open ? `<div${compile.attributes(element)}><small>This piece is not there.</small></div>` : '',
}
