import type { DiscountCode } from '../../core/shop'
import { fail } from '../../core/problems'
import type { CodesAnswer } from '../../shared/api/types'
import { deleteUnusedCode, readCode, readCodes, writeCode } from '../database/discounts'
import type { Database } from '../database/open'
import type { Content } from '../services/content'

/** Discount codes for those who work here. */
export class Codes {
  constructor(
    private readonly db: Database,
    private readonly content: Pick<Content, 'catalogue'>,
  ) {}

  async list(): Promise<CodesAnswer> {
    return { codes: (await readCodes(this.db)).map(({ code, used }) => ({ ...code, used })) }
  }

  /** Stores a code, or another state of it; what cannot hold is refused. */
  async save(code: DiscountCode): Promise<CodesAnswer> {
    const { types } = this.content.catalogue
    if (code.kind === 'percent' && code.value > 100)
      fail('discount-wrong', { why: 'It takes off no more than 100 percent' })
    if (code.from && code.until && code.until < code.from) fail('discount-wrong', { why: 'It ends before it begins' })
    const gone = code.types.find((id) => !types.get(id)?.sells)
    if (gone)
      fail('discount-wrong', { why: `${types.get(gone)?.plural ?? 'A page type that is gone'} cannot be bought` })
    await writeCode(this.db, code)
    return this.list()
  }

  /** Takes a code away that nobody has used: of one that was used, orders tell. */
  async remove(code: string): Promise<CodesAnswer> {
    if (!(await deleteUnusedCode(this.db, code)) && (await readCode(this.db, code))) fail('discount-used')
    return this.list()
  }
}
