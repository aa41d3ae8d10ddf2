import { countedAddress, placeOf, protocolOf } from '../../../server/services/place'
import { weakness } from '../../../server/services/password-policy'

/** From where a request comes is said by the proxies that are trusted, counted from the right, and by nobody else. */

test.each<[told: string, hops: number, place: string]>([
  ['203.0.113.9', 1, '203.0.113.9'],
  // What stands further left was sent by whoever asks.
  ['1.1.1.1, 203.0.113.9', 1, '203.0.113.9'],
  ['1.1.1.1, 203.0.113.9, 10.0.0.2', 2, '203.0.113.9'],
  ['1.1.1.1', 0, '192.0.2.1'],
  ['', 1, '192.0.2.1'],
  ['203.0.113.9', 2, '192.0.2.1'],
])('%p through %i proxies comes from %s', (told, hops, place) => {
  expect(placeOf({ 'x-forwarded-for': told }, '192.0.2.1', hops)).toBe(place)
})

test.each([
  ['2001:db8:1:2:3:4:5:6', '2001:db8:1:2::/64'],
  ['2001:db8:1:2::9', '2001:db8:1:2::/64'],
  ['2001:0db8::1', '2001:db8:0:0::/64'],
  ['::1', '0:0:0:0::/64'],
  ['[2001:db8:1:2::9]:443', '2001:db8:1:2::/64'],
  ['::ffff:203.0.113.9', '203.0.113.9'],
])('%s counts as %s', (address, counted) => expect(countedAddress(address)).toBe(counted))

test('the protocol is believed where a proxy is trusted', () => {
  expect([protocolOf({ 'x-forwarded-proto': 'https' }, 0), protocolOf({ 'x-forwarded-proto': 'https' }, 1)]).toEqual([
    'http',
    'https',
  ])
})

test.each<[password: string, refused: boolean]>([
  ['aaaaaaaaaaaa', true],
  ['abababababab', true],
  ['ada@quillmere.example.org', true],
  ['passwordpassword', true],
  ['password123456', true],
  ['qwertyuiop12', true],
  ['wind-me-on-sunday', false],
  ['three clocks strike nine', false],
])('%p is refused as a password: %p', (password, refused) => {
  expect(weakness(password, { mail: 'ada@quillmere.example.org', name: 'Ada Quill' }) !== null).toBe(refused)
})
