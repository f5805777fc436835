/** Whether the database answers and its tables are those of this version, by a line of its own and within a second. */
export default defineEventHandler(async (event) => {
  const ready = await isReady(useRuntimeConfig().databaseUrl)
  if (!ready) setResponseStatus(event, 503)
  return { ready }
})
