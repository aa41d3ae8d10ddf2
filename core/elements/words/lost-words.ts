import { PAGE_STYLES, both, textChunk } from '../../drawing'
import { type ElementSpec, prop } from '../base'

/** Polite words for a page that is not there: a title and a sentence each. */
const WORDS: readonly (readonly [id: string, title: string, sentence: string])[] = [
  ['nothing', 'There is nothing here', 'Perhaps there was once. The search knows everything that is here now.'],
  [
    'moved',
    'This page has moved, or never was',
    'Tell the search what you were looking for, and it will try to find it.',
  ],
  ['corner', 'You have come to an empty corner', 'It happens in every house. The ways back are below.'],
  ['sorry', 'We are sorry, this page is not to be found', 'It is more likely our mistake than yours.'],
  ['stray', 'A link has led you astray', 'We have noted where it came from, and will mend it if it is one of ours.'],
  ['letter', 'One letter may be wrong', 'Look at the address once more, or search for what you wanted.'],
  ['door', 'This door leads nowhere', 'The others do. Some of them are below.'],
  ['shelf', 'This shelf is empty', 'What stood here may have been put elsewhere.'],
  ['quiet', 'It is very quiet here', 'No page stands at this address.'],
  ['turn', 'A wrong turn', 'Go back the way you came, or begin again at the front.'],
  ['gone', 'What was here is gone', 'Things come and go. Most of what we have is still here.'],
  ['map', 'You have left the map', 'Every page we have can be reached from the home page.'],
  ['thanks', 'Thank you for looking here', 'There is nothing to see at this address, but a good deal at others.'],
  ['blank', 'A blank page', 'Nobody has written this one yet.'],
  ['pause', 'A short pause', 'The page that you asked for does not exist. Here is where to go on.'],
  ['late', 'Perhaps you are too late', 'This page is no more. What is new stands below.'],
  ['early', 'Perhaps you are too early', 'This page is not there yet.'],
  ['lost', 'Lost? So is this page', 'Let us find something else together.'],
  ['kindly', 'We cannot find that', 'Would you kindly try other words in the search?'],
  ['stairs', 'The stairs end here', 'Go down again, and choose another floor.'],
  ['note', 'Only this note is here', 'The page it stands for has been taken away.'],
  ['old', 'An old address', 'It may have led somewhere once. Search for what it was about.'],
  ['help', 'May we help you?', 'There is no page here, and we would be glad to show you another.'],
  ['end', 'This is where the path ends', 'Other paths begin at the home page.'],
]

const TITLES = WORDS.map(([value, label]) => ({ value, label }))

export const lostWords: ElementSpec = {
  type: 'lost-words',
  name: 'Words for a lost page',
  about: 'A title and a sentence for addresses where nothing stands: picked from polite ones, or one’s own.',
  group: 'Words',
  props: {
    words: {
      kind: 'choice',
      label: 'Words',
      default: 'nothing',
      options: [{ value: 'own', label: 'My own' }, ...TITLES],
    },
    title: { kind: 'text', label: 'My own title', default: '', most: 200 },
    text: { kind: 'text', label: 'My own sentence', default: '', most: 600 },
  },
  parts: { title: { label: 'Title' }, text: { label: 'Sentence' } },
  titles: ({ hides }) => !hides?.includes('title'),
  css: [PAGE_STYLES.lostWords],
  summary: ({ words }) => TITLES.find((t) => t.value === words)?.label ?? 'my own',
  draw(element, compile) {
    const [, title = '', sentence = ''] = WORDS.find(([id]) => id === prop(element, lostWords, 'words')) ?? []
    const said = (name: 'title' | 'text', ready: string) =>
      both(textChunk(ready), textChunk(prop(element, lostWords, name)), (given, own) => (ready ? given : own))
    const [titleOpen, textOpen] = [`<h1${compile.part(element, 'title')}>`, `<p${compile.part(element, 'text')}>`]
    const attributes = compile.attributes(element, 'lost')
    return both(said('title', title), said('text', sentence), (name, words) => {
      const first = name && compile.shows(element, 'title') ? `${titleOpen}${name}</h1>` : ''
      const second = words && compile.shows(element, 'text') ? `${textOpen}${words}</p>` : ''
      return first || second ? `<div${attributes}>${first}${second}</div>` : ''
    })
  },
}
