/** The value of something known, SI, or what stands where nothing is. */
export const valueOr = <T extends number | undefined>(
  known: { readonly value: number } | null | undefined,
  otherwise: T,
): number | T => known?.value ?? otherwise
