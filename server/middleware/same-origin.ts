/** Changes are taken from Wakaru's own pages only, not from a page of another site open in the same browser. */
export default defineEventHandler((event) => {
  const origin = getRequestHeader(event, 'origin')
  if (event.method === 'GET' || event.method === 'HEAD' || !origin) return
  if (!URL.canParse(origin) || new URL(origin).host !== getRequestHeader(event, 'host')) {
    throw refusal(403, 'Changes are taken from Wakaru’s own pages only.')
  }
})
