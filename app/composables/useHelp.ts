/** Whether the page of shortcuts and cautions is open. */
export const useHelp = () => useState('help', () => false)
