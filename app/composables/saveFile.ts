/** Hands a text over as a file, to be kept where the browser keeps such. */
export function saveFile(name: string, mime: string, text: string): void {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(new Blob([text], { type: mime }))
  link.download = name
  link.click()
  URL.revokeObjectURL(link.href)
}
