/** The package tells no types of its own. */
declare module 'wawoff2/decompress.js' {
  /** The font of a WOFF2 file as it was before it was packed; throws for what is none. */
  export default function decompress(bytes: Uint8Array): Promise<Uint8Array>
}
