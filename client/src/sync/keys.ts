/** Names of what is asked of the server and of the device. */
export const JOBS_KEY = ['jobs'] as const;
export const UNSENT_KEY = ['unsent'] as const;
export const WAITING_KEY = ['waiting'] as const;
export const FILES_KEY = ['files'] as const;
export const ROUNDS_KEY = ['rounds'] as const;
export const LEDGER_KEY = ['ledger'] as const;
export const JARS_KEY = ['jars'] as const;
export const BIN_KEY = ['bin'] as const;
export const TODAY_KEY = ['today'] as const;
export const TOLD_KEY = ['told'] as const;
export const CREW_KEY = ['crew'] as const;
export const jobKey = (id: string): readonly ['job', string] => ['job', id];
