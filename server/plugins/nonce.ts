import { randomBytes } from 'node:crypto'

/** Every script that stands in a page carries the mark of this one answer; one that got in otherwise is not run. */
export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('render:html', (html, { event }) => {
    const nonce = randomBytes(16).toString('base64')
    // Modules put lists in the place of texts, and nothing where a page has no such part.
    const marked = (parts: unknown[]) =>
      parts.flat().map(part => String(part ?? '').replace(/<script(?=[\s>])/g, `<script nonce="${nonce}"`))
    html.head = marked(html.head)
    html.bodyPrepend = marked(html.bodyPrepend)
    html.bodyAppend = marked(html.bodyAppend)
    setResponseHeader(event, 'Content-Security-Policy', contentPolicy(nonce))
  })
})
