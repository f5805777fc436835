/** Whether the process answers at all; it asks nobody else. */
export default defineEventHandler(() => ({ alive: true }))
