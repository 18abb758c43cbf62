/** A font file that cannot be used; the message is for the person at the screen. */
export class UnreadableTypeface extends Error {}
