import { type Zippable, zip } from 'fflate'

/** Several files as one, with the folders that they lay in; what is compressed already is not compressed again. */
export async function zipOf(files: readonly File[]): Promise<File> {
  const all: Zippable = {}
  for (const file of files) {
    const level = /\.(jpe?g|png|webp|avif|gif|zip)$/i.test(file.name) ? 0 : 6
    all[file.webkitRelativePath || file.name] = [new Uint8Array(await file.arrayBuffer()), { level }]
  }
  const [first] = files
  const folder = first?.webkitRelativePath.split('/')[0]
  return new Promise((done, failed) => {
    zip(all, (error, bytes) => {
      if (error) failed(error)
      else done(new File([bytes as Uint8Array<ArrayBuffer>], `${folder || 'files'}.zip`, { type: 'application/zip' }))
    })
  })
}
