/**
 * Whether everything typed into a form can be read. A field that cannot is where the maker is taken to; nothing is sent
 * then, because what stands behind such a field is not what is seen in it.
 */
export function isReadable(event: Event): boolean {
  const unread = (event.currentTarget as HTMLElement).querySelector<HTMLElement>('[data-unread]')
  unread?.focus()
  return !unread
}
