import { REGIONS, type Region } from '../tree'
import type { Id } from '../model'
import { circumstanceName } from '../conditions'
import { andAlso, anyOf } from '../text'
import { type RuleNames, targetName } from '../targets'
import type { DisplayRule } from '../design'

/** The frame's own name, or its conditions as one plain sentence. */
export function frameName(frame: DisplayRule, names: RuleNames): string {
  return frame.name.trim() || frameSentence(frame, names)
}

/** What frames are called where several stand together: those of the same words are told apart by what they say, or counted. */
export function frameLabels(
  frames: readonly DisplayRule[],
  names: RuleNames,
  layoutName: (id: Id) => string,
): Map<Id, string> {
  const byName = new Map<string, DisplayRule[]>()
  for (const frame of frames) {
    const name = frameName(frame, names)
    byName.set(name, [...(byName.get(name) ?? []), frame])
  }
  const labels = new Map<Id, string>()
  for (const [name, alike] of byName) {
    if (alike.length === 1) labels.set(alike[0]!.id, name)
    else
      for (const [i, frame] of alike.entries())
        labels.set(frame.id, `${name} (${apart(frame, alike, layoutName) ?? i + 1})`)
  }
  return labels
}

/** The first say in which a frame differs from all of the same name, in words; null when there is none. */
function apart(frame: DisplayRule, alike: readonly DisplayRule[], layoutName: (id: Id) => string): string | null {
  const said = (f: DisplayRule, region: Region) => {
    const say = f.regions[region]
    return say.kind === 'use'
      ? `${region}: ${layoutName(say.layout)}`
      : say.kind === 'empty'
        ? `${region} left empty`
        : ''
  }
  const region = REGIONS.find((r) => {
    const own = said(frame, r)
    return own && alike.every((f) => f.id === frame.id || said(f, r) !== own)
  })
  return region ? said(frame, region) : null
}

export function frameSentence(frame: DisplayRule, names: RuleNames): string {
  const covers = anyOf(frame.covers.map((t) => targetName(t, names))) || 'No page yet'
  const except = frame.except.length ? `, except ${anyOf(frame.except.map((t) => targetName(t, names)))}` : ''
  const when = frame.onlyWhen.length ? `, ${andAlso(frame.onlyWhen.map(circumstanceName))}` : ''
  return covers + except + when
}
