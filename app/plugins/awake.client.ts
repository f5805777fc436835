/** Says when a page answers to clicks: what the server sent only looks like it until then. Tests wait for it. */
export default defineNuxtPlugin((app) => {
  app.hook('app:suspense:resolve', () => {
    document.documentElement.dataset.awake = ''
  })
})
