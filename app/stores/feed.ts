import { useEventListener } from '@vueuse/core'

/**
 * What the server tells: see its feed. Where the line has just been opened `*` is touched, anything that happened
 * before; the position is −1 where the server does not know it.
 */
export interface News {
  position: number
  touched: string[]
}

/** A mark for changes, the same one whenever they are sent again. */
export const newToken = (): string =>
  Array.from(crypto.getRandomValues(new Uint32Array(4)), number => number.toString(36)).join('-')

/**
 * Listens to what others change while somebody looks at the page; a browser keeps few lines
 * open at once, so that a page in the background lets go of its own.
 */
export function useFeed(tell: (news: News) => void): { listen: () => void, leave: () => void } {
  let line: EventSource | undefined
  let wanted = false

  function open() {
    if (!wanted || document.hidden) {
      line?.close()
      line = undefined
    }
    else if (!line || line.readyState === EventSource.CLOSED) {
      line = new EventSource('/api/feed')
      line.addEventListener('message', ({ data }) => tell(JSON.parse(data)))
    }
  }
  if (import.meta.client) {
    useEventListener(document, 'visibilitychange', open)
    useEventListener(window, 'focus', open)
  }
  const turn = (on: boolean) => {
    wanted = on
    open()
  }
  return { listen: () => turn(true), leave: () => turn(false) }
}
