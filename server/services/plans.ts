import type { Transaction } from 'kysely'
import { ProblemError, fail } from '../../core/problems'
import type { Design } from '../../core/design'
import { partKey } from '../../core/releases'
import type { Plan, PlanInput } from '../../shared/api/types'
import { type StoredPlan, deletePlan, insertPlan, movePlan, readDuePlans, readPlans } from '../database/plans'
import type { Database } from '../database/open'
import type { Tables } from '../database/schema'
import { log } from './log'
import type { Releases } from './release'

/** Another process has done it meanwhile. */
class Done extends Error {}

/** A plan begins after now, by a moment that clocks may differ by. */
const SLACK = 60_000

/**
 * Releases that are set for a moment, and undone at another. What is released then is what was chosen when it was set,
 * over what visitors see by then: what others released meanwhile stays.
 */
export class Plans {
  private running: Promise<void> | null = null

  constructor(
    private readonly db: Database,
    private readonly releases: Releases,
    /** What was released is shown to visitors. */
    private readonly show: (design: Design, number: number) => Promise<void>,
    private readonly now: () => number = Date.now,
  ) {}

  list(): Promise<Plan[]> {
    return readPlans(this.db)
  }

  async set({ at, until, note = '', leave = [] }: PlanInput, by: string): Promise<Plan> {
    if (at < this.now() - SLACK) fail('plan-past')
    if (until !== undefined && until <= at) fail('plan-order')
    const { design, changes } = await this.releases.prepare(leave)
    return insertPlan(this.db, { at, until: until ?? null, note: note.trim(), by, changes, design })
  }

  async cancel(id: number): Promise<void> {
    if (!(await deletePlan(this.db, id))) fail('plan-unknown')
  }

  /** Does what is due. Called often; never twice at once. */
  runDue(): Promise<void> {
    this.running ??= this.run().finally(() => (this.running = null))
    return this.running
  }

  /** Waits for what is being done; what fails in it is told to whoever began it. */
  async end(): Promise<void> {
    await Promise.allSettled([this.running])
  }

  private async run(): Promise<void> {
    for (const plan of await readDuePlans(this.db, this.now())) {
      if (plan.state === 'waits') await this.release(plan)
      else await this.undo(plan)
    }
  }

  private async release(plan: StoredPlan): Promise<void> {
    try {
      const keys = new Set(plan.changes.map(partKey))
      const { release, design } = await this.releases.releasePart(plan.design, keys, plan.note, plan.by, (trx, made) =>
        this.move(trx, plan, { state: 'done', number: made.number }),
      )
      await this.show(design, release.number)
      log('info', 'released-as-set', { number: release.number, plan: plan.id })
    } catch (error) {
      await this.refuse(plan, error, { state: 'refused' })
    }
  }

  private async undo(plan: StoredPlan): Promise<void> {
    try {
      const { release, design } = await this.releases.undo(plan.number!, plan.by, (trx) =>
        this.move(trx, plan, { state: 'undone' }),
      )
      await this.show(design, release.number)
      log('info', 'undone-as-set', { number: release.number, plan: plan.id })
    } catch (error) {
      // It was released and stays so.
      await this.refuse(plan, error, { until: null })
    }
  }

  /** Says of a plan that it is done, in one step with doing it; throws `Done` where another process was first. */
  private async move(trx: Transaction<Tables>, plan: StoredPlan, to: Partial<Plan>): Promise<void> {
    if (!(await movePlan(trx, plan, to))) throw new Done()
  }

  private async refuse(plan: StoredPlan, error: unknown, to: Partial<Plan>): Promise<void> {
    if (error instanceof Done) return
    if (!(error instanceof ProblemError)) throw error
    // What could not be done because another process had done it is none of a refusal.
    if (!(await movePlan(this.db, plan, { ...to, why: error.problem.sentence }))) return
    log('warn', 'plan-refused', { plan: plan.id, why: error.problem.sentence })
  }
}
