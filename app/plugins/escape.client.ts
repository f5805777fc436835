/**
 * Escape closes what was opened last. A choice whose list is shut still keeps the key to itself, so that a dialog
 * round it never hears of it; here it is handed on to the dialog.
 */
export default defineNuxtPlugin(() => {
  document.addEventListener(
    'keydown',
    (event) => {
      const target = event.target as HTMLElement
      if (
        event.key !== 'Escape'
        || !target.closest?.('.p-select [aria-expanded="false"], .p-select[aria-expanded="false"]')
      )
        return
      event.stopPropagation()
      const around = target.closest('.p-dialog, .p-popover, .by')
      around?.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape', code: 'Escape', bubbles: true }))
    },
    { capture: true },
  )
})
