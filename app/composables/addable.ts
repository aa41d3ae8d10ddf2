/** Something that can be added: a row by the spans of its columns, or an element by its type. */
export interface Addable {
  key: string
  name: string
  about: string
  group: string
  spans?: number[]
  type?: string
  /** The id of a shared piece. */
  piece?: string
}
