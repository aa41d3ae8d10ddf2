import { PLAIN_HOUSE } from '../styles'
import type { SiteStarter } from './types'

/** Whole sites to begin with. */

const palette = (ink: string, paper: string, soft: string, wash: string, accent: string) =>
  PLAIN_HOUSE.palette.map((colour) => ({
    ...colour,
    value: { ink, paper, soft, wash, accent }[colour.id] ?? colour.value,
  }))

export const SITES: readonly SiteStarter[] = [
  {
    id: 'site-reading-room',
    name: 'Reading room',
    about: 'For what is read: one column, quiet titles, everything found by its name',
    parts: {
      header: 'header-line',
      intro: 'intro-quiet',
      footer: 'footer-columns',
      entry: 'body-facts-beside',
      dated: 'body-reading',
      list: 'list-grid',
      term: 'term-index',
      person: 'person-portrait',
      search: 'search-likely',
      lost: 'lost-ways',
      'sign-in': 'sign-in-alone',
      member: 'member-plain',
    },
    house: {
      ...PLAIN_HOUSE,
      palette: palette('#22262a', '#fffdf8', '#5d6166', '#f2eee4', '#7a3b2e'),
      headingFamily: 'Newsreader',
      textFamily: 'Literata',
    },
  },
  {
    id: 'site-gallery',
    name: 'Gallery',
    about: 'For what is seen: pictures across the width, few words, dark where it ends',
    parts: {
      header: 'header-mark-between',
      intro: 'intro-picture',
      footer: 'footer-invitation',
      entry: 'body-shown',
      dated: 'body-reading',
      list: 'list-first-large',
      term: 'term-dark',
      person: 'person-beside',
      search: 'search-wall',
      lost: 'lost-dark',
      'sign-in': 'sign-in-beside',
      member: 'member-news',
    },
    card: 'card-over-picture',
    house: {
      ...PLAIN_HOUSE,
      palette: palette('#17191c', '#ffffff', '#63666b', '#eceef0', '#2e5d50'),
      headingFamily: 'Bricolage Grotesque',
      textFamily: 'Instrument Sans',
      interfaceFamily: 'Instrument Sans',
      headingWeight: 600,
      contentWidth: 1280,
    },
  },
  {
    id: 'site-gazette',
    name: 'Gazette',
    about: 'For what happens: days and dates first, long lists, two floors of head',
    parts: {
      header: 'header-two-floors',
      intro: 'intro-centred',
      footer: 'footer-letterhead',
      entry: 'body-tabs',
      dated: 'body-reading',
      list: 'list-lines',
      term: 'term-wall',
      person: 'person-list',
      search: 'search-rows',
      lost: 'lost-polite',
      'sign-in': 'sign-in-beside',
      member: 'member-plain',
    },
    card: 'card-beside',
    house: {
      ...PLAIN_HOUSE,
      palette: palette('#1d2433', '#ffffff', '#575f70', '#eef0f4', '#8a2f3c'),
      headingFamily: 'Besley',
      textFamily: 'Public Sans',
      interfaceFamily: 'Public Sans',
      textSize: 16,
    },
  },
]
