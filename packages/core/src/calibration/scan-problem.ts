/** A picture of a target that cannot be read; the message says why, to the person who made it. */
export class UnreadableScan extends Error {}
