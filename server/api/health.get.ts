export default defineDoor(async () => {
  await useDatabase().authenticate()
  return { ready: true }
})
