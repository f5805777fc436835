import { SettingsChange } from '../../../core/document/open'

export default defineDoor(async (event) => {
  const change = await readShape(event, SettingsChange)
  return { position: await useDatabase().transaction(transaction => keepSettings(change, transaction)) }
})
