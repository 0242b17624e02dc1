/** A mistake that the person at the keyboard can mend: one line, exit status 1. */
export class UserError extends Error {}
