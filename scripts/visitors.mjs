/** Visitors of the museum for its pictures: what they ask, and what they buy. */

const QUESTIONS = [
  ['Inez Calloway', '/exhibits/the-night-regulator', 'Does it strike at night too, or is it let sleep?'],
  ['Otto Pell', '/exhibits/fenwick-turret-clock', 'My grandfather wound it. May I bring his key to be looked at?'],
  ['Maya Lind', '/exhibits/the-night-regulator', 'Which oil do you use below ten degrees?'],
]
const BASKETS = [
  [
    'Otto Pell',
    [
      ['/tickets/family-day', '1'],
      ['/gifts/paper-clock-to-fold', '1'],
    ],
  ],
  ['Maya Lind', [['/talks/what-the-tower-hears', '2']]],
  [
    'Rosalind Vane',
    [
      ['/tickets/day-ticket', '3'],
      ['/gifts/a-year-of-dials', '2'],
    ],
  ],
  [
    'Inez Dial',
    [
      ['/talks/what-the-tower-hears', '3'],
      ['/gifts/winding-key-in-brass', '1'],
      ['/tickets/tower-climb', '2'],
    ],
  ],
]

const mailOf = (name) => `${name.toLowerCase().replace(' ', '.')}@example.org`

/** Somebody with cookies of their own. */
function visitor(origin) {
  let cookie = ''
  return {
    async page(path) {
      return (await fetch(origin + path, { headers: { cookie } })).text()
    },
    async send(path, values) {
      const answer = await fetch(origin + path, {
        method: 'POST',
        redirect: 'manual',
        headers: { cookie, 'content-type': 'application/x-www-form-urlencoded' },
        body: new URLSearchParams(values),
      })
      for (const given of answer.headers.getSetCookie()) cookie = given.split(';')[0]
      return answer
    },
  }
}

export async function ask(origin) {
  for (const [name, path, question] of QUESTIONS) {
    const somebody = visitor(origin)
    const html = await somebody.page(path)
    const [form] = /<form[^>]*class="[^"]*of-form[\s\S]*?<\/form>/.exec(html)
    const says = { text: name, email: mailOf(name), textarea: question }
    const values = {}
    for (const [tag, element] of form.matchAll(/<(input|textarea)[^>]*>/g)) {
      const type = / type="(\w+)"/.exec(tag)?.[1] ?? element
      const field = / name="([^"]+)"/.exec(tag)[1]
      if (type === 'hidden' || type === 'checkbox') values[field] = / value="([^"]*)"/.exec(tag)[1]
      else if (says[type]) values[field] = says[type]
    }
    const { status } = await somebody.send(path, values)
    if (status !== 303) throw new Error(`A question was answered with ${status}.`)
  }
}

export async function buy(origin) {
  for (const [name, things] of BASKETS) {
    const somebody = visitor(origin)
    for (const [path, count] of things) {
      const of = /name="form" value="buy"><input type="hidden" name="of" value="([^"]+)"/.exec(
        await somebody.page(path),
      )[1]
      await somebody.send(path, { form: 'buy', of, entry: path.split('/').pop(), count })
    }
    const agree = /name="(agree\.[^"]+)"/.exec(await somebody.page('/checkout'))[1]
    const said = { 'c.name': name, 'c.mail': mailOf(name), 'b.country': 'GB', 'b.name': name, 'b.line1': '4 Bell Lane' }
    const where = { 'b.city': 'Quillmere', 'b.code': 'SW1A 1AA', way: 'post', [agree]: 'yes' }
    const placed = await somebody.send('/checkout', { form: 'shop', does: 'place', ...said, ...where })
    const pay = placed.headers.get('location')
    if (!pay?.startsWith('http')) throw new Error(`${name} was not led to where one pays: ${placed.status}`)
    await fetch(pay, { method: 'POST', redirect: 'manual', body: new URLSearchParams({ case: 'pays' }) })
  }
}
