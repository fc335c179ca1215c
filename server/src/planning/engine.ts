/** A name for what works verdicts out: one that was kept by another version of the core is worked out anew. */

/** Hash of the core's sources, put in as the server is bundled. */
declare const NAME_OF_CORE: string | undefined;

export const engineName = (): string => (typeof NAME_OF_CORE === 'string' ? NAME_OF_CORE : 'unbundled');
