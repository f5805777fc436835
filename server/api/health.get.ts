export default defineEventHandler(async () => {
  await useDatabase().authenticate()
  return { ready: true }
})
