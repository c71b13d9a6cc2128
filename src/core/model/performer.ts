import type { Performer } from './clip';

/** A name as it tells one person from another: case, accents written apart and blanks do not count. */
export const tidyName = (name: string): string => name.normalize('NFC').trim().replace(/\s+/g, ' ').toLowerCase();

/** Who a performer is: the athlete that they are said to be, else everybody of that name. */
export const performerKey = ({ athleteId, name }: Pick<Performer, 'athleteId' | 'name'>): string =>
  athleteId ?? `name:${tidyName(name)}`;
