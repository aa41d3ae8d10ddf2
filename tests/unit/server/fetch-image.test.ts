import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { fetchImage, isPublic } from '../../../server/bring/fetch-image'

/** Images are fetched from the public web, and from nowhere else. */

let server: Server
let origin: string
const PNG = Buffer.from('iVBORw0KGgo=', 'base64')
beforeAll(async () => {
  server = createServer((request, response) => {
    if (request.url === '/led') return response.writeHead(302, { location: '/image.png' }).end()
    if (request.url === '/round') return response.writeHead(302, { location: '/round' }).end()
    if (request.url === '/inside') return response.writeHead(302, { location: 'http://10.0.0.1/secret' }).end()
    if (request.url === '/file') return response.writeHead(302, { location: 'file:///etc/passwd' }).end()
    if (request.url === '/large') return response.end(Buffer.alloc(21_000_000))
    if (request.url === '/gone') return response.writeHead(404).end('no')
    response.end(PNG)
  })
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done))
  origin = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
})
afterAll(() => server.close())

test.each([
  '127.0.0.1',
  '10.1.2.3',
  '172.31.0.1',
  '192.168.1.1',
  '169.254.169.254',
  '100.64.0.1',
  '0.0.0.0',
  '224.0.0.1',
  '255.255.255.255',
  '::1',
  '::',
  'fe80::1',
  'fc00::1',
  '::ffff:127.0.0.1',
  '64:ff9b::7f00:1',
  '2002:7f00:1::',
  '2001:db8::1',
  'no address',
])('%s is no address of the public web', (address) => expect(isPublic(address)).toBe(false))

test.each(['1.1.1.1', '93.184.216.34', '2606:4700::1111', '172.32.0.1'])('%s is one', (address) =>
  expect(isPublic(address)).toBe(true),
)

test('this machine is asked by no name and no number of it', async () => {
  const port = origin.split(':').pop()
  for (const host of ['127.0.0.1', 'localhost', '[::1]', '2130706433', '0x7f.1', '[::ffff:127.0.0.1]'])
    expect([host, await fetchImage(`http://${host}:${port}/image.png`)]).toEqual([host, null])
})

test('what may be asked is fetched, led on a few times, and no more than so many bytes', async () => {
  const allowed = (address: string) => address === '127.0.0.1'
  const from = (path: string) => fetchImage(origin + path, allowed)
  expect(await from('/image.png')).toEqual(PNG)
  expect(await from('/led')).toEqual(PNG)
  for (const path of ['/round', '/inside', '/file', '/large', '/gone'])
    expect([path, await from(path)]).toEqual([path, null])
  expect(await fetchImage('no address')).toBeNull()
  expect(await fetchImage('ftp://example.org/x.png')).toBeNull()
})
