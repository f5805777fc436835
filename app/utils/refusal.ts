import type { Problem } from '../../core/document'

/** A refusal of the server in the maker's words, with its problems by path. */
export interface Refusal {
  status: number
  message: string
  problems: Problem[]
  data?: unknown
}

interface FailedFetch {
  statusCode?: number
  data?: { message?: string, data?: { problems?: Problem[] } }
}

/** Reads what the server said out of a failed request; a request that never arrived has status 0. */
export function refusalOf(error: unknown): Refusal {
  const { statusCode, data } = error as FailedFetch
  if (!statusCode) return { status: 0, message: 'Wakaru cannot be reached. Is it still running?', problems: [] }
  return {
    status: statusCode,
    message: data?.message ?? 'Something went wrong on the server.',
    problems: data?.data?.problems ?? [],
    data: data?.data,
  }
}

/** The problem of one field, for the line under it. */
export const problemAt = (problems: Problem[], path: string): string | undefined =>
  problems.find(problem => problem.path === path)?.problem
