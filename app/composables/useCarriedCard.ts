import type { ParameterInputs } from '../../core/document'

/** A fold with its sizes on the way from the catalogue into a class. */
export const useCarriedCard = () =>
  useState<{ fold: string, parameters: ParameterInputs } | undefined>('carried-card', () => undefined)
