/** Whatever is asked for here and is not there. */
export default defineEventHandler(() => {
  throw refusal(404, 'There is nothing at this address.')
})
