export default defineEventHandler(() => shelf())
