/** An answer that cannot exist (an impossible bend, an unstable frame): not a fault of form. It says what to change. */
export class Impossible extends Error {}
