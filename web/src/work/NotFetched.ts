/** Something that is not here yet and cannot be fetched now: the server is away. */
export class NotFetched extends Error {}
