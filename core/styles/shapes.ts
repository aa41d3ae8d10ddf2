import { exact, judged, list, numeric, oneOf, pattern, text, whole } from '../shape'
import { FAMILIES } from './fonts'
import { isColour } from './house'

const colour = judged((v) => (isColour(v) ? null : 'a colour of its house style is none'))
const measure = (most: number, least = 0) => numeric(least, most, 'a measure of its house style is none')
const family = oneOf(
  FAMILIES.map((f) => f.name),
  'a family of its house style is none',
)

/** The shape of a house style; everything in it is written into CSS. */
export const houseShape = exact({
  format: oneOf([1], 'its house style cannot be read'),
  palette: list(
    exact({
      id: pattern(/^[a-z0-9-]{1,40}$/, 'its palette cannot be read'),
      name: text(60, 'its palette cannot be read'),
      value: pattern(/^#[0-9a-f]{6}$/i, 'its palette cannot be read'),
    }),
    60,
    'its palette cannot be read',
  ),
  headingFamily: family,
  textFamily: family,
  textSize: measure(200, 6),
  lineHeight: measure(4, 0.5),
  headingWeight: whole(100, 1000, 'a measure of its house style is none'),
  headingSizes: list(numeric(6, 400, 'its heading sizes cannot be read'), 4, 'its heading sizes cannot be read').length(
    4,
    'its heading sizes cannot be read',
  ),
  contentWidth: measure(4000, 200),
  gap: measure(400),
  edge: measure(400),
  flow: measure(400),
  radius: measure(400),
  ink: colour,
  paper: colour,
  link: colour,
  button: exact({ background: colour, colour, radius: measure(400) }),
})
