/** A line of the log: one object with the time. Nothing that people have typed goes into it. */
export function logLine(entry: Record<string, unknown>): void {
  process.stdout.write(`${JSON.stringify({ time: new Date().toISOString(), ...entry })}\n`)
}

/** An error without the words that data may have got into: its name, its code, and where in the program it arose. */
export function logError(error: unknown): void {
  type Fault = Error & { code?: string, statusCode?: number }
  const { name, code, statusCode, stack, cause } = (error ?? {}) as Fault
  // What somebody was refused is an answer and no fault.
  if (statusCode !== undefined && statusCode < 500) return
  const places = (text = '') =>
    text
      .split('\n')
      .filter(line => /^\s+at /.test(line))
      .slice(0, 8)
      .map(line => line.trim())
  const inner = cause as Fault | undefined
  const why = inner && { name: inner.name, code: inner.code, at: places(inner.stack) }
  logLine({ level: 'error', name, code, statusCode, at: places(stack), cause: why })
}
