export default defineDoor(() => shelf())
