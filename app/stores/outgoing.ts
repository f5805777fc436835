import { acknowledged, unsaved } from '../../core/document'
import type { Refusal } from '../utils/refusal'
import type { Door, Sent, UnderHand } from './door'
import { Retry } from './door'

/** Milliseconds without a change before it is saved. */
const PAUSE = 500
/** After so many breakdowns of the server over a change only the maker tries again. */
const MOST_FAULTS = 5
/** Somebody at this address asks too much. */
const BUSY = 429
/** How often somebody else may come in between before the maker is told. */
const MOST_MERGES = 5

/** Brings changes of a document to the server: soon after they are made, and again where that fails. */
export class Outgoing<T extends object> {
  private readonly retry = new Retry(() => this.save())
  private merges = 0
  private faults = 0

  /** @param refresh takes in what others have changed */
  constructor(
    private readonly door: Door<T>,
    private readonly hand: UnderHand<T>,
    private readonly refresh: () => Promise<void>,
  ) {}

  /** Keeps and saves what is not saved. */
  changed(): void {
    const { session, state, problems, noRoom, position, sending } = this.hand
    if (!session.value || state.value === 'conflict') return
    if (!sending.value && unsaved(session.value).length === 0) {
      this.retry.stop()
      state.value = 'saved'
      problems.value = []
      this.door.forget()
      return
    }
    noRoom.value = !this.door.keep(session.value, position.value)
    if (state.value === 'saving') return
    if (state.value !== 'offline') state.value = 'waiting'
    this.retry.after(PAUSE)
  }

  async save(): Promise<void> {
    const { session, state, position, label, sending } = this.hand
    const opened = session.value
    if (!opened || state.value === 'saving' || state.value === 'conflict' || state.value === 'saved') return
    this.retry.stop()
    // What is on its way is sent again as it was: nobody knows whether it has arrived.
    const sent = sending.value ??= {
      token: this.door.newToken(), label: label.value || 'change', since: position.value, patches: unsaved(opened),
    }
    state.value = 'saving'
    try {
      const answer = await this.door.save(sent)
      if (sending.value === sent && session.value) await this.arrived(sent, answer.position)
    }
    catch (error) {
      if (sending.value === sent && session.value) await this.refused(this.door.refusalOf(error))
    }
  }

  /** Nothing is under hand any more. */
  end(): void {
    const { state, problems, noRoom, sending } = this.hand
    this.retry.stop()
    this.calm()
    sending.value = undefined
    state.value = 'saved'
    problems.value = []
    noRoom.value = false
  }

  private async arrived(sent: Sent, at: number): Promise<void> {
    const { session, state, problems, position, sending, newest } = this.hand
    if (!session.value) return
    sending.value = undefined
    session.value = acknowledged(session.value, sent.patches)
    problems.value = []
    this.calm()
    state.value = 'waiting'
    // Where others came in between, what they did has yet to be seen.
    if (at === sent.since + 1 && position.value === sent.since) position.value = at
    else newest.value = Math.max(newest.value, at)
    if (newest.value > position.value) await this.refresh()
    this.changed()
  }

  private async refused({ status, message, problems: found }: Refusal): Promise<void> {
    const { state, problems, troubledSince, sending } = this.hand
    problems.value = found.length > 0 ? found : [{ path: '', problem: message }]
    if (status === 0 || status >= 500 || status === BUSY) {
      const isFault = status >= 500 && status !== 503
      troubledSince.value ??= Date.now()
      state.value = isFault ? 'failed' : 'offline'
      if (!isFault || ++this.faults <= MOST_FAULTS) this.retry.failed()
      return
    }
    troubledSince.value = undefined
    sending.value = undefined
    if (status !== 409 || this.merges >= MOST_MERGES) {
      state.value = 'refused'
      return
    }
    this.merges += 1
    state.value = 'waiting'
    await this.refresh()
    this.changed()
  }

  /** No trouble any more. */
  private calm(): void {
    this.hand.troubledSince.value = undefined
    this.merges = this.faults = 0
    this.retry.succeeded()
  }
}
