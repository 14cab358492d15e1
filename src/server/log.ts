import pino from 'pino';

/** One line of JSON for each failure of ours. Never customers' names or words: only what went wrong, and where. */
export const log = pino({ name: 'stereotome', level: process.env.STEREOTOME_LOG ?? 'info' });
