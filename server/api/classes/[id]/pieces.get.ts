export default defineDoor(async event =>
  made(event, await checked('pieces', await storedClass(classIdOf(event)), Infinity), 'csv', 'text/csv'), PATIENT)
