import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { format, resolveConfig } from 'prettier'
import { ROOT } from './steps.mjs'

/** `node scripts/icons.mjs`: writes the shapes of the icons that are offered, from the open set of lucide-static. */

const NAMES =
  'clock calendar calendar-days calendar-check map-pin map navigation compass phone mail at-sign message-circle message-square send user users star bookmark flag bell heart info circle-alert triangle-alert circle-check circle-x check x plus minus search menu ellipsis arrow-right arrow-left arrow-up arrow-down arrow-up-right chevron-right chevron-left chevron-down chevron-up external-link link download upload share-2 printer eye eye-off lock key shield house building building-2 landmark church store shopping-cart shopping-bag ticket tag gift credit-card wallet receipt coins percent truck package box archive folder file file-text book book-open newspaper library graduation-cap pencil pen-tool palette brush scissors camera image images video film play pause music headphones mic volume-2 radio tv monitor smartphone tablet laptop wifi globe languages sun moon cloud cloud-rain snowflake wind thermometer droplet flame leaf tree-pine flower sprout mountain waves fish bird cat dog bug paw-print car bus train-front bike plane ship footprints accessibility baby ear hand hand-heart thumbs-up handshake smile frown coffee utensils wine cake bed bath door-open lamp wrench hammer settings cog hourglass timer watch alarm-clock history award trophy medal crown gem puzzle lightbulb zap battery plug rss hash quote list layers layout-grid ruler scale microscope telescope rocket anchor umbrella tent backpack luggage toilet sofa'.split(
    ' ',
  )

const shapeOf = (name) => {
  const svg = readFileSync(join(ROOT, 'node_modules', 'lucide-static', 'icons', `${name}.svg`), 'utf8')
  return svg
    .slice(svg.indexOf('>', svg.indexOf('<svg')) + 1, svg.lastIndexOf('</svg>'))
    .trim()
    .replace(/\s*\n\s*/g, '')
    .replace(/ \/>/g, '/>')
}
const shapes = Object.fromEntries(NAMES.map((name) => [name, shapeOf(name)]))
const lines = Object.entries(shapes).map(([name, shape]) => `  '${name}': '${shape}',`)
const text = `/** Made by scripts/icons.mjs from lucide-static (ISC licence). */\nexport const SHAPES: Readonly<Record<string, string>> = {\n${lines.join('\n')}\n}\n`
writeFileSync(
  join(ROOT, 'core', 'drawing', 'icon-shapes.ts'),
  await format(text, { ...(await resolveConfig(ROOT)), parser: 'typescript' }),
)
