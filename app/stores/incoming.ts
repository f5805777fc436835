import { received } from '../../core/document'
import type { At, Door, UnderHand } from './door'
import { Retry } from './door'

/** What others change in a document while it is under the maker's hands. */
export class Incoming<T extends object> {
  private readonly look = new Retry(() => this.lookAgain())
  /** Position of what collides. */
  positionOfTheirs = 0

  /** @param then is called once news has been taken in that was announced and not asked for */
  constructor(
    private readonly door: Door<T>,
    private readonly hand: UnderHand<T>,
    private readonly then: () => void,
  ) {}

  /**
   * Takes in what the server has by now.
   * @param whole reads all of it, also where it would do to ask what has changed
   */
  async refresh(whole = false): Promise<void> {
    const { session, state, problems, position, sending } = this.hand
    const { door, look } = this
    if (!session.value || sending.value || state.value === 'conflict') return
    const { base } = session.value
    const fresh = await (whole ? door.load() : door.later(position.value, base).then(later => later ?? door.load()))
      .catch((error: unknown) => door.refusalOf(error))
    // Closed, or something was sent meanwhile: its answer asks again.
    if (!session.value || sending.value) return
    if ('status' in fresh) {
      // What others did has yet to be seen.
      if (fresh.status !== 404) return look.failed()
      state.value = 'refused'
      problems.value = [{ path: '', problem: fresh.message }]
      return
    }
    look.succeeded()
    // Something was saved or taken in meanwhile, and what was read may be older than that: it would look as if somebody
    // had taken it back.
    if (fresh.position < position.value || session.value.base !== base) return this.refresh(whole)
    this.takeIn(fresh)
  }

  takeIn(fresh: At<T>): void {
    const { session, state, position, newest } = this.hand
    if (!session.value) return
    const next = received(session.value, fresh.document)
    session.value = next
    newest.value = Math.max(newest.value, fresh.position)
    if (next.theirs) {
      this.positionOfTheirs = fresh.position
      state.value = 'conflict'
      return
    }
    position.value = fresh.position
  }

  /**
   * Somebody has changed something.
   * @param at where the studio stands now; infinite where nobody knows
   * @param concerns whether it may be in this document
   */
  async hear(at: number, concerns: boolean): Promise<void> {
    const { session, position, sending, newest } = this.hand
    if (!session.value) return
    // While something is on its way its answer tells where to look.
    const isSeen = newest.value <= position.value
    if (Number.isFinite(at)) newest.value = Math.max(newest.value, at)
    if (sending.value || at <= position.value) return
    // What is of no concern hides nothing that was not looked at yet.
    if (!concerns && isSeen) position.value = newest.value = at
    else await this.lookAgain()
  }

  /** Nothing is under hand any more. */
  end(): void {
    this.look.stop()
    this.look.succeeded()
  }

  private async lookAgain(): Promise<void> {
    const { state } = this.hand
    await this.refresh()
    if (state.value !== 'conflict' && state.value !== 'refused') this.then()
  }
}
