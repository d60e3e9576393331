/** The parts that are fetched late, as they are declared, for who wants them here before. */
export const lateOnes: { readonly fetch: () => Promise<unknown> }[] = []
