import { parseHTML } from 'linkedom'
import { pastedHtml } from '../../../app/composables/pastedHtml'

const parse = (html: string) =>
  parseHTML(`<!DOCTYPE html><html><body>${html}</body></html>`).document as unknown as Document
const pasted = (html: string) => pastedHtml(html, parse)

test('paragraphs that only look like a list become one', () => {
  const word =
    '<!--StartFragment--><p class="MsoListParagraphCxSpFirst" style="mso-list:l0 level1"><span style="mso-list:Ignore">·<span>  </span></span>One<o:p></o:p></p>' +
    '<p class="MsoListParagraphCxSpLast" style="mso-list:l0 level1"><span style="mso-list:Ignore">·</span>Two</p><p class="MsoNormal">After</p>'
  expect(pasted(word)).toBe('<ul><li><p>One</p></li><li><p>Two</p></li></ul><p class="MsoNormal">After</p>')
})

test('numbered paragraphs become a numbered list', () => {
  const numbered = ['1.', '2.'].map((n) => `<p class="MsoListParagraph"><span style="mso-list:Ignore">${n}</span>x</p>`)
  expect(pasted(numbered.join(''))).toBe('<ol><li><p>x</p></li><li><p>x</p></li></ol>')
})

test('titles stand below the title of the page', () => {
  expect(pasted('<h1>A</h1><h2>B</h2><h6>C</h6>')).toBe('<h2>A</h2><h2>B</h2><h4>C</h4>')
})

test('emphasis said by styles gets its name, and bold that is none goes', () => {
  expect(pasted('<b style="font-weight:normal">x<span style="font-weight:700">y</span></b>')).toBe(
    'x<strong>y</strong>',
  )
  expect(pasted('<span style="font-weight:700;font-style:italic">y</span>')).toBe('<em><strong>y</strong></em>')
  expect(pasted('<span style="color:red">z</span>')).toContain('z')
})

test('styles, scripts and comments are left out', () => {
  expect(pasted('<style>p{}</style><script>x</script><!-- note --><p>Words</p>')).toBe('<p>Words</p>')
})
