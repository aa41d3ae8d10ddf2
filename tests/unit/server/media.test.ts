import { existsSync, readdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { Readable } from 'node:stream'
import sharp from 'sharp'
import { cleanSvg } from '../../../server/media/svg'
import { fileNameOf, judge, looksLikeSvg } from '../../../server/media/judge'
import { widthsOf } from '../../../server/media/widths'
import { openPictureWork } from '../../../server/media/beside'
import { FileStore } from '../../../server/media/store'
import { Media } from '../../../server/services/media'
import { demoFiles } from '../../../demo'
import { rangeOf } from '../../../server/services/pictures'
import { seedDemo } from '../../../server/services/seed'
import { freshDatabase } from './database'

const { db, folder } = freshDatabase()
let files: FileStore
let media: Media
let changes = 0
beforeAll(async () => {
  await seedDemo(db(), true, { hash: async () => 'hashed' })
  files = new FileStore(folder)
  await files.open()
  media = new Media(db(), files, async () => void changes++, openPictureWork(folder))
  await media.open()
}, 60_000)
afterAll(() => media.end())

const noise = (width: number, height: number) =>
  sharp({
    create: { width, height, channels: 3, background: '#7a4', noise: { type: 'gaussian', mean: 120, sigma: 40 } },
  })
const sent = (bytes: Buffer, name: string, expected = bytes.length) => ({
  stream: Readable.from([bytes]),
  name,
  bytes: expected,
})
const add = (bytes: Buffer, name: string) => media.addPicture(sent(bytes, name), 'Wim')
const refused = async (bytes: Buffer, name: string) =>
  add(bytes, name).then(
    () => 'taken',
    (error: { problem?: { code: string } }) => error.problem?.code ?? String(error),
  )
const left = () => readdirSync(join(folder, 'files')).filter((f) => f.startsWith('coming-'))
afterEach(() => expect(left()).toEqual([]))

test('what older versions kept in the database lies in the folder, and is given out as before', async () => {
  const { pictures } = await media.list()
  expect(pictures.length).toBeGreaterThan(100)
  const mark = (await media.bytesOf('mark'))!
  expect([mark.mime, mark.bytes.toString().slice(0, 4)]).toEqual(['image/svg+xml', '<svg'])
  const { bytes } = await db().selectFrom('pictures').select('bytes').where('id', '=', 'mark').executeTakeFirstOrThrow()
  expect(bytes).toHaveLength(0)
})

test('a photograph is turned upright, loses what its camera wrote, and lies ready in all its widths', async () => {
  const photo = await noise(1000, 600)
    .withExif({ IFD0: { Copyright: 'Somebody Private', Artist: 'Owner Name' }, IFD3: { GPSLatitude: '51/1 30/1 0/1' } })
    .withMetadata({ orientation: 6 })
    .jpeg()
    .toBuffer()
  const before = changes
  const { picture, mime, addedBy } = await add(photo, '../../My Photo (1).PNG')
  expect([picture.fileName, picture.width, picture.height, mime, addedBy]).toEqual([
    'My-Photo-1.jpg',
    600,
    1000,
    'image/jpeg',
    'Wim',
  ])
  await media.settled()
  expect(changes).toBe(before + 2)
  const found = (await media.list()).pictures.find((p) => p.picture.id === picture.id)!.picture
  expect(found.widths).toEqual([320, 480, 600])
  const whole = (await media.bytesOf(picture.id))!.bytes
  const { exif, orientation, width } = await sharp(whole).metadata()
  expect([exif, orientation, width]).toEqual([undefined, undefined, 600])
  for (const kind of ['avif', 'webp', 'jpg'])
    for (const wide of found.widths!) {
      const size = (await media.bytesOf(picture.id, { hash: found.hash!, name: `${wide}.${kind}` }))!
      const is = await sharp(size.bytes).metadata()
      expect([wide, is.width, size.mime]).toEqual([wide, wide, `image/${kind === 'jpg' ? 'jpeg' : kind}`])
    }
  expect(await media.bytesOf(picture.id, { hash: 'ffffffff', name: '320.webp' })).toBeNull()
  // The same file again is the same picture.
  expect((await add(photo, 'again.jpg')).picture.id).toBe(picture.id)
})

test('another file for a picture keeps its id, description and focal point', async () => {
  const { picture } = await add(await noise(400, 300).png().toBuffer(), 'one.png')
  await media.describe(picture.id, { alt: 'A field', focus: { x: 0.2, y: 0.8 } })
  const { picture: after } = await media.replacePicture(
    picture.id,
    sent(await noise(500, 200).webp().toBuffer(), 'two.webp'),
    'Ada',
  )
  expect(after).toMatchObject({
    id: picture.id,
    alt: 'A field',
    focus: { x: 0.2, y: 0.8 },
    width: 500,
    fileName: 'two.webp',
  })
  expect(after.hash).not.toBe(picture.hash)
  await media.settled()
  await expect(media.describe(picture.id, { alt: 'x', focus: { x: 2, y: 0 } })).rejects.toThrow()
  await expect(media.describe('nothing', { alt: '', focus: null })).rejects.toMatchObject({
    problem: { code: 'picture-unknown' },
  })
})

test('what is no picture, is damaged, too large or does not arrive whole is refused, and nothing is left of it', async () => {
  const png = await noise(300, 300).png().toBuffer()
  const jpeg = await noise(300, 300).jpeg().toBuffer()
  const bomb = await sharp({ create: { width: 9000, height: 7000, channels: 3, background: '#fff' } })
    .png({ compressionLevel: 9 })
    .toBuffer()
  const count = async () => (await media.list()).pictures.length
  const before = await count()
  expect(await refused(Buffer.from('<html><script>alert(1)</script></html>'), 'a.jpg')).toBe('file-kind')
  expect(await refused(Buffer.from('%PDF-1.7 not a picture'), 'a.png')).toBe('file-kind')
  expect(await refused(Buffer.alloc(0), 'a.png')).toBe('file-empty')
  expect(await refused(png.subarray(0, png.length / 2), 'a.png')).toBe('picture-broken')
  expect(await refused(jpeg.subarray(0, 200), 'a.jpg')).toBe('picture-broken')
  expect(await refused(Buffer.from('\x89PNG\r\n\x1a\n\0\0\0\rIHDRrubbish that is no picture', 'latin1'), 'a.png')).toBe(
    'picture-broken',
  )
  expect(bomb.length).toBeLessThan(1_000_000)
  expect(await refused(bomb, 'bomb.png')).toBe('picture-large')
  await expect(media.addPicture(sent(png, 'a.png', png.length + 5), 'Wim')).rejects.toMatchObject({
    problem: { code: 'file-cut' },
  })
  const broken = Readable.from(
    (async function* () {
      yield png.subarray(0, 100)
      await Promise.resolve()
      throw Object.assign(new Error('gone'), { code: 'ECONNRESET' })
    })(),
  )
  await expect(media.addPicture({ stream: broken, name: 'a.png' }, 'Wim')).rejects.toMatchObject({
    problem: { code: 'file-cut' },
  })
  const full = Readable.from(
    (async function* () {
      yield png
      await Promise.resolve()
      throw Object.assign(new Error('no space left'), { code: 'ENOSPC' })
    })(),
  )
  await expect(media.addPicture({ stream: full, name: 'a.png' }, 'Wim')).rejects.toMatchObject({
    problem: { code: 'disk-full', status: 507 },
  })
  expect(await count()).toBe(before)
}, 60_000)

test.each<[string, string, RegExp]>([
  [
    'a script',
    '<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script><circle r="4"/></svg>',
    /script|alert/,
  ],
  ['a handler', '<svg onload="alert(1)"><rect width="4" height="4" onclick="alert(2)"/></svg>', /alert|onload/],
  [
    'a page inside',
    '<svg><foreignObject><iframe src="https://example.org"/></foreignObject><rect/></svg>',
    /iframe|foreign/i,
  ],
  ['a link that runs', '<svg><a href="javascript:alert(1)"><rect/></a></svg>', /javascript/],
  ['a picture from elsewhere', '<svg><image href="https://example.org/a.png"/><rect/></svg>', /example\.org/],
  ['a use from elsewhere', '<svg><use xlink:href="https://example.org/a.svg#b"/><rect/></svg>', /example\.org/],
  [
    'a style from elsewhere',
    '<svg><style>@import url(https://example.org/a.css);</style><rect/></svg>',
    /example\.org/,
  ],
  ['a fill from elsewhere', '<svg><rect fill="url(https://example.org/a.svg#b)"/></svg>', /example\.org/],
  ['a handler by animation', '<svg><set attributeName="onmouseover" to="alert(1)"/><rect/></svg>', /alert/],
  [
    'words that stand for others without end',
    '<!DOCTYPE svg [<!ENTITY a "ha"><!ENTITY b "&a;&a;">]><svg><text>&b;</text><rect/></svg>',
    /ENTITY/,
  ],
])('a drawing with %s is taken without it', async (_, svg, never) => {
  const clean = cleanSvg(svg)!
  expect(clean.svg).not.toMatch(never)
  expect(clean.svg).toMatch(/<(rect|circle)/)
  expect((await add(Buffer.from(svg), 'drawing.jpg')).picture.fileName).toBe('drawing.svg')
})

test('a drawing keeps what it is drawn of, and knows its size', () => {
  const clean = cleanSvg(
    '<?xml version="1.0"?><!-- made by hand --><svg viewBox="0 0 120 40"><defs><linearGradient id="g"><stop offset="0"/></linearGradient></defs>' +
      '<rect fill="url(#g)" width="10" height="10"/><use href="#g"/><style>.a{fill:red}</style></svg>',
  )!
  expect([clean.width, clean.height]).toEqual([120, 40])
  expect(clean.svg).toMatch(/xmlns="http:\/\/www.w3.org\/2000\/svg"/)
  expect(clean.svg).toMatch(/url\(#g\)/)
  expect(clean.svg).toMatch(/viewBox="0 0 120 40"/)
  expect(cleanSvg('<p>no drawing</p>')).toBeNull()
  expect([looksLikeSvg('<svg>'), looksLikeSvg('<html><svg>'), looksLikeSvg('words <svg>')]).toEqual([
    true,
    false,
    false,
  ])
})

test('files are judged by what is in them, and named by what they are', async () => {
  const path = join(folder, 'judged')
  const judged = async (bytes: Buffer | string, name: string) => {
    writeFileSync(path, bytes)
    return judge(path, name)
  }
  expect(await judged('%PDF-1.7\n%âãÏÓ\n', 'a.exe')).toMatchObject({ kind: 'document', ending: 'pdf' })
  expect(await judged('a,b\n1,2\n', 'table.csv')).toMatchObject({ kind: 'document', mime: 'text/csv' })
  expect(await judged('a,b\n1,2\n', 'table.exe')).toBeNull()
  expect(await judged('<html><script>1</script>', 'page.txt')).toBeNull()
  expect(await judged(Buffer.from([0, 1, 2, 3]), 'a.txt')).toBeNull()
  expect(await judged('MZ\x90\x00', 'setup.pdf')).toBeNull()
  expect(fileNameOf('../..\\étude  du “soir”.JPG', 'jpg')).toBe('étude-du-soir.jpg')
  expect(fileNameOf('...', 'png')).toBe('file.png')
})

test('a document is taken, given out, taken away and cleared with its file', async () => {
  const [made] = demoFiles().filter((f) => f.mime === 'application/pdf')
  const report = await media.addFile(sent(made!.bytes, 'Report.pdf'), 'Wim')
  // Counted by a library; our own writing says the same.
  expect(report.pages).toBe(made!.pages)
  expect((await media.listFiles()).files.find((f) => f.id === report.id)).toMatchObject({ pages: made!.pages })
  await media.setFileRemoved(report.id, true)
  const file = await media.addFile(sent(Buffer.from('%PDF-1.7\n%âãÏÓ\nwords'), 'Plan of the tower.pdf'), 'Wim')
  expect(file).toMatchObject({
    fileName: 'Plan-of-the-tower.pdf',
    mime: 'application/pdf',
    addedBy: 'Wim',
    pages: null,
  })
  const { path } = (await media.file(file.id))!
  expect(existsSync(path)).toBe(true)
  await expect(media.addFile(sent(await noise(9, 9).png().toBuffer(), 'a.pdf'), 'Wim')).rejects.toMatchObject({
    problem: { code: 'file-kind' },
  })
  await media.setFileRemoved(file.id, true)
  expect(await media.file(file.id)).toBeNull()
  expect(await media.clearRemoved()).toBe(2)
  expect(existsSync(path)).toBe(false)
  expect((await media.bytesOf('mark'))!.bytes.length).toBeGreaterThan(0)
  await expect(media.setFileRemoved(file.id, true)).rejects.toMatchObject({ problem: { code: 'file-unknown' } })
})

test('pictures lie ready in widths up to their own', () => {
  expect(widthsOf(100, 'jpg')).toEqual([100])
  expect(widthsOf(640, 'png')).toEqual([320, 480, 640])
  expect(widthsOf(4000, 'jpg')).toEqual([320, 480, 640, 960, 1280, 1920, 2560])
  expect([widthsOf(4000, 'svg'), widthsOf(4000, 'gif')]).toEqual([[], []])
})

test.each<[string | undefined, [number, number] | null | undefined]>([
  [undefined, null],
  ['bytes=0-9', [0, 9]],
  ['bytes=90-', [90, 99]],
  ['bytes=-10', [90, 99]],
  ['bytes=50-500', [50, 99]],
  ['bytes=100-', undefined],
  ['bytes=9-3', undefined],
  ['bytes=a-b', null],
  ['bytes=0-1,5-6', null],
])('of a file of 100 bytes %p is %p', (asked, range) => expect(rangeOf(asked, 100)).toEqual(range))
