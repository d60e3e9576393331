/** A data folder that Hestian cannot work with: the message is for a person and says what to do. */
export class UnusableFolder extends Error {}
