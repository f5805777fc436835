/** Table in which it is counted how much is asked for from each address. */
export const REQUESTS = 'requests'
