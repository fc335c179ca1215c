/** What keeps the server from starting, in a sentence for whoever starts it. */
export class CannotStart extends Error {}
