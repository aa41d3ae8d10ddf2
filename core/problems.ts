/**
 * Every error that the product can answer with, listed once: a code, the HTTP status, and a sentence that says
 * what happened and what to do. `{name}` in a sentence is filled from the problem's details.
 */
export const PROBLEMS = {
  'layout-format': [
    422,
    'This layout has format {format}, and this installation reads format {known}. Update it first.',
  ],
  'layout-shape': [422, 'This is not a layout: {why}.'],
  'node-unknown': [422, 'Nothing in this layout has the id {id}. It may have been removed in another window.'],
  'id-taken': [422, 'The id {id} is already used in this layout. Ids must be unique.'],
  'id-form': [422, 'An id is 1 to 40 letters, digits, hyphens or underscores; {id} is not.'],
  'wrong-place': [422, 'A {child} cannot stand in a {parent}. Rows hold columns; columns hold elements and rows.'],
  'index-out': [422, 'Position {index} does not exist there; the last one is {last}.'],
  'into-itself': [422, 'Nothing can be moved into itself.'],
  'spans-sum': [422, 'The columns of a row must add up to 12; these add up to {sum}.'],
  'span-form': [422, 'The span of a column is a whole number from 1 to 12; {span} is not.'],
  'row-empty': [422, 'A row needs at least one column. Remove the row instead.'],
  'too-deep': [422, 'Rows can stand inside one another {most} deep and no deeper. Place this row further out.'],
  'too-large': [422, 'A layout can hold {most} rows, columns and elements; this one would hold {count}.'],
  'element-unknown': [422, 'There is no element called {type}.'],
  'element-region': [422, '{name} cannot stand in a {region} layout.'],
  'element-once': [422, 'A layout can hold one {name} element; this one already has it.'],
  'part-unknown': [422, '{owner} has no part or state {part} that can be so.'],
  'places-number': [422, '{owner} holds {least} to {most} of its places; this one would hold {count}.'],
  'property-unknown': [422, '{owner} has no property called {property}.'],
  'property-value': [422, '{label}: {why}.'],
  'style-unknown': [422, 'There is no look property called {property} for a {owner}.'],
  'style-value': [422, '{label}: {why}.'],
  'follows-none': [422, '{name} follows no other layout, so it has no own changes.'],
  'piece-loop': [422, 'A piece cannot hold itself, also not through others: {name} would.'],
  'not-open': [
    422,
    'The piece leaves {property} to none of its places. Change it in the piece, or leave it open there.',
  ],
  'open-elsewhere': [422, 'Only what stands in a shared piece can be left open.'],
  'follows-already': [422, '{name} follows a layout already.'],
  'follows-itself': [422, 'A layout cannot follow itself, also not by way of {name}.'],
  'too-many-levels': [422, 'Variations can follow one another {most} deep and no deeper. Follow another than {name}.'],
  'base-gone': [
    409,
    '{name} follows a layout that is not there. Put its base back first, or bring it back from a release. What it says itself is kept.',
  ],
  'edit-unknown': [422, 'There is no edit of the kind {kind}.'],
  'edit-shape': [422, 'This edit cannot be read: {why}.'],
  'house-shape': [422, 'The house style cannot be so: {why}.'],
  'structure-shape': [422, 'The site cannot be built so: {why}.'],
  'menus-shape': [422, 'Menus cannot be so: {why}.'],
  'frame-shape': [422, 'This frame cannot be read: {why}.'],
  'frame-target': [422, '{why}. Choose another target or remove this one.'],
  'frame-circumstance': [422, '{why}. Correct the circumstance or remove it.'],
  'parcel-shape': [422, 'This is not a parcel that can be read: {why}. Nothing was stored.'],
  'parcel-newer': [
    422,
    'This parcel has format {format}, and this installation reads format {known}. Update it first. Nothing was stored.',
  ],
  'site-file': [422, 'This is no site file that can be read: {why}. Nothing was changed.'],
  'name-missing': [422, 'Give it a name of 1 to {most} characters.'],
  'layout-unknown': [404, 'There is no layout with the id {id}. It may have been removed.'],
  'frame-unknown': [404, 'There is no frame with the id {id}. It may have been removed.'],
  'page-unknown': [404, 'The site has no page with the key {key}.'],
  'release-unknown': [404, 'There is no release number {number}.'],
  'release-lacks': [404, 'Release {number} has no {what} with the id {id}.'],
  'entry-unknown': [404, 'There is no entry with the id {id}. It may have been removed.'],
  'has-below': [422, '{title} has {count} below it. Move or remove them first. Nothing was removed.'],
  'file-cut': [400, 'The file did not arrive whole. Nothing was stored; send it again.'],
  'file-empty': [422, 'The file is empty. Nothing was stored.'],
  'file-kind': [
    422,
    '{name} is no file of a kind that is taken here, whatever it is called: pictures, documents, sound and films are. Nothing was stored.',
  ],
  'file-unknown': [404, 'There is no file with the id {id}. It may have been removed.'],
  'picture-unknown': [404, 'There is no picture with the id {id}. It may have been removed.'],
  'font-kind': [422, 'That is no WOFF2 font file, whatever it is called, or it is cut off. Nothing was stored.'],
  'font-broken': [422, 'The font file cannot be read: it is damaged, or holds no letters. Nothing was stored.'],
  'font-large': [422, 'The font comes to more than {most} MB once it is unpacked. Nothing was stored.'],
  'picture-broken': [422, 'The picture cannot be read: it is damaged or cut off. Nothing was stored.'],
  'picture-large': [422, 'The picture has more than {most} million pixels. Make it smaller first. Nothing was stored.'],
  'content-moving': [503, 'Others are storing much at this moment. Nothing was changed; try again in a moment.'],
  'sent-too-slowly': [
    408,
    'For half a minute next to nothing of what you send arrived, so it was ended. Nothing was stored; try again when the connection is better.',
  ],
  'windows-many': [
    503,
    'Too many windows listen at once. This one hears what others do when it sends; close some to hear it as it happens.',
  ],
  'disk-full': [507, 'The disk of the server is full. Nothing was stored; make room and try again.'],
  'user-unknown': [404, 'There is nobody here with the number {id}.'],
  'mail-taken': [409, 'Somebody here has the mail address {mail} already. Nothing was stored.'],
  'last-owner': [422, 'A site needs an owner, and this is the only one. Make somebody else owner first.'],
  'not-oneself': [422, 'Nobody can remove themselves. Another owner can.'],
  'sheet-wrong': [422, 'The file cannot be taken along: {why}. Nothing was stored.'],
  'import-unknown': [404, 'There is no import with the id {id}. It may have been undone long ago.'],
  'import-running': [409, 'Another import is running. Wait until it is done, or cancel it.'],
  'state-unknown': [404, 'The entry {id} has no stored state {revision}.'],
  'redirect-wrong': [422, '{why}. Nothing was stored.'],
  'term-unknown': [404, 'There is no term with the id {id}. It may have been removed.'],
  'terms-apart': [422, 'Only terms of one taxonomy can be merged, and not a term with itself or one below it.'],
  'address-unknown': [404, 'Nothing answers at {address}.'],
  'stale-revision': [
    409,
    'This was changed in another window since revision {revision}. Your change is kept here; look at what came between and apply it again.',
  ],
  'text-moved': [409, 'The text was changed elsewhere meanwhile. It is sent again as a whole.'],
  'edit-repeated': [422, 'The edit {id} was sent before, among others. Send each edit once.'],
  undrawable: [
    422,
    'This cannot be released: {page} cannot be drawn ({why}). Visitors still see the last release. Nothing was stored.',
  ],
  spoilt: [409, 'What is stored of {what} cannot be read: {why}. Restore it from a backup first. Nothing was stored.'],
  'plan-past': [422, 'This moment has passed. Choose one that is still to come. Nothing was stored.'],
  'plan-order': [422, 'It can only be undone after it was released. Choose a later moment. Nothing was stored.'],
  'plan-unknown': [404, 'No release is set for then any more; it may have been released meanwhile.'],
  'changed-since': [409, 'It was not undone: everything in it was released anew since.'],
  'draft-link-unknown': [404, 'There is no such link any more.'],
  'order-unknown': [404, 'There is no such order.'],
  'order-state': [
    409,
    'This cannot be done to an order that is {state}; it may have moved meanwhile. Nothing was changed.',
  ],
  'order-refund': [502, '{why} Nothing was changed; try again in a moment.'],
  'order-came': [
    409,
    'So many did not buy that, or their order is not paid; look at the sheet again. Nothing was changed.',
  ],
  'discount-wrong': [422, '{why}. Nothing was stored.'],
  'discount-used': [409, 'This code was used, and orders tell of it: switch it off instead. Nothing was removed.'],
  'order-mail': [409, 'There is nothing to mail about this order, or nobody to mail it to.'],
  'message-unknown': [404, 'There is no such message any more.'],
  'nothing-to-take-back': [409, 'There is no release before this one that visitors could see again.'],
  'nothing-to-release': [409, 'Nothing has changed since the last release, so there is nothing to release.'],
  'body-large': [413, 'What was sent is larger than {most}. Nothing was stored; send less at once.'],
  'body-unreadable': [400, 'What was sent is not readable JSON. Nothing was stored.'],
  'body-shape': [422, '{why}. Nothing was stored.'],
  'entry-shape': [422, '{why}. Nothing was stored.'],
  'type-unknown': [422, 'There is no page type with the id {id}. Nothing was stored.'],
  'type-kept': [422, 'An entry keeps its page type. Nothing was stored.'],
  'reference-unknown': [422, 'There is no {what} with the id {id}; it may have been removed. Nothing was stored.'],
  'below-itself': [422, 'A page cannot stand below itself. Nothing was stored.'],
  'home-shows-it': [
    422,
    'Home shows this entry. Choose another for Home on the Map before it is taken back. Nothing was stored.',
  ],
  'home-needs': [422, 'Home can show {what}, and this is none. Nothing was stored.'],
  'address-taken': [422, '{why}. Nothing was stored.'],
  'field-unknown': [422, 'There is no field called {id} in this page type. Nothing was stored.'],
  'field-value': [422, '{label} cannot hold what was entered. Nothing was stored.'],
  'field-limits': [422, '{label}: {why}. Nothing was stored.'],
  'field-missing': [
    422,
    '{label} is asked of every published entry. Fill it in, or take the entry back from publishing. Nothing was stored.',
  ],
  'not-offered': [422, 'This frame is not offered to writers of this page type. Nothing was stored.'],
  'other-region': [
    422,
    '{name} is for another region, so it cannot stand in the place of this one. Nothing was stored.',
  ],
  'other-id': [422, 'What was sent has another id than the address, {id}. Nothing was stored.'],
  'revision-missing': [422, 'The revision that this was made from is missing. Nothing was stored.'],
  'asking-wrong': [422, '{why}.'],
  'signed-out': [401, 'You are signed out. Sign in and try again; your work is kept in this window.'],
  'sign-in-wrong': [401, 'This mail address and password do not belong together. Check both and try again.'],
  'password-wrong': [403, 'This is not the password you have now. Check it and try again.'],
  'password-weak': [422, 'This password is too easily guessed. {why}. Choose another one.'],
  'sign-in-limited': [429, 'Too many attempts to sign in. Wait {minutes} and try again.'],
  'sign-in-busy': [503, 'Too many people are signing in at this moment. Wait a little and try again.'],
  'code-wrong': [403, 'This is not the code. It stands where the server was started. Look there and try again.'],
  'founded-already': [409, 'This site has been founded already. Sign in to it.'],
  'role-lacking': [403, 'This needs the role of {role}. Ask the owner of the site for it.'],
  'cross-site': [403, 'This request did not come from the studio. Reload the studio and try again.'],
  'method-wrong': [405, 'This address answers {allowed} only.'],
  'in-use': [409, '{name} is still in use: {by}.'],
  unexpected: [
    500,
    'Something went wrong on the server; the details are in its log. Nothing you had is lost. Try again.',
  ],
} as const satisfies Record<string, readonly [number, string]>

export type ProblemCode = keyof typeof PROBLEMS

/** The names that a sentence is filled in with. */
type NamesIn<S extends string> = S extends `${string}{${infer Name}}${infer Rest}` ? Name | NamesIn<Rest> : never

/** What a problem must be told with, by its code. */
export type Details<C extends ProblemCode> = Record<NamesIn<(typeof PROBLEMS)[C][1]>, string | number>

export interface Problem {
  code: ProblemCode
  status: number
  sentence: string
  details: Readonly<Record<string, string | number>>
}

/** Codes whose sentences need nothing are told without details. */
type ProblemDetails<C extends ProblemCode> = keyof Details<C> extends never ? [] : [details: Details<C>]

/** A problem as a value: nothing is thrown. */
export function problem<C extends ProblemCode>(code: C, ...[details]: ProblemDetails<C>): Problem {
  const [status, pattern] = PROBLEMS[code]
  const told: Readonly<Record<string, string | number>> = details ?? {}
  const sentence = pattern.replace(/\{(\w+)\}/g, (_, name: string) => clip(told[name]))
  return { code, status, sentence, details: told }
}

/** Keeps a sentence readable when somebody sends a very long value. */
function clip(told: unknown): string {
  // Whoever sends anything at all may have sent what cannot be made a text of.
  const text = typeof told === 'string' || typeof told === 'number' ? String(told) : (JSON.stringify(told) ?? '?')
  return text.length > 120 ? text.slice(0, 119) + '…' : text
}

/** For the few places that have to throw: carries a problem. */
export class ProblemError extends Error {
  constructor(readonly problem: Problem) {
    super(problem.sentence)
    this.name = 'ProblemError'
  }
}

/** Throws a problem; for code that cannot go on by value. */
export function fail<C extends ProblemCode>(code: C, ...told: ProblemDetails<C>): never {
  throw new ProblemError(problem(code, ...told))
}

/** Throws the first of some problems, when there is one. */
export function failFirst([first]: readonly Problem[]): void {
  if (first) throw new ProblemError(first)
}
