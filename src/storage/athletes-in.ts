import type { StoredSummary } from './database';

/** Whom a session is about: the one who is judged, and every other athlete in it. */
export const athletesIn = ({ athlete, trials }: Pick<StoredSummary, 'athlete' | 'trials'>): readonly string[] =>
  athlete === null
    ? []
    : [...new Set([athlete, ...trials.flatMap(({ role, performer }) => (role === 'athlete' ? [performer] : []))])];
