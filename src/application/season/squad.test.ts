import { athleteSchema, type Athlete } from '../../core/model/athlete';
import type { StoredStanding } from '../../storage/database';
import type { SessionSummary } from '../../storage/session-list';
import { chosenOf, dueOf, sessionsNamed, squadOf, staleStandings } from './squad';

const summary = (
  id: string,
  on: string,
  people: readonly string[],
  more: Partial<SessionSummary> = {},
): SessionSummary => ({
  id,
  name: `${people[0]}, ${on}`,
  updatedAt: `${on}T10:00:00Z`,
  on,
  movementId: 'pace-delivery',
  movementName: null,
  measuredBy: 'pace-delivery',
  performers: people,
  performerKeys: people.map((name) => `name:${name.toLowerCase()}`),
  athlete: `name:${people[0]!.toLowerCase()}`,
  trials: [],
  media: [],
  bytes: 1,
  damage: null,
  ...more,
});
const record = (id: string, more: Partial<Athlete> = {}): Athlete => ({
  ...athleteSchema.parse({ id, name: 'Kip', dominantSide: 'right', segmentTable: 'male', updatedAt: '' }),
  ...more,
});
const standing = (athlete: string, sessions: readonly SessionSummary[], due: string | null): StoredStanding => ({
  id: JSON.stringify([athlete, 'pace-delivery']),
  athlete,
  measuredBy: 'pace-delivery',
  sessions: sessions.map(({ id, updatedAt }) => ({ id, updatedAt })),
  open: [{ id: 'knee', title: 'Front knee', standing: 'open', due }],
  trend: null,
  picture: `data:${athlete}`,
});

const early = summary('a', '2026-01-01', ['Kip', 'Oren']);
const late = summary('b', '2026-03-01', ['Kip', 'Oren']);
const oren = summary('c', '2026-02-01', ['Oren', 'Kip']);

describe('everybody in the sessions of a browser', () => {
  it('stands once, with the sessions about them and those in which they are a reference', () => {
    const squad = squadOf([early, oren, late], [], []);
    expect(
      squad.map(({ name, sessions, asReference }) => [name, sessions.map((s) => s.id), asReference.length]),
    ).toEqual([
      ['Kip', ['b', 'a'], 1],
      ['Oren', ['c'], 2],
    ]);
  });

  it('every athlete of a session has it among their own, and is measured by it', () => {
    const trial = (name: string, role: 'athlete' | 'reference') =>
      ({ name, role, performer: `name:${name.toLowerCase()}` }) as SessionSummary['trials'][number];
    const both = summary('x', '2026-05-01', ['Kip', 'Bram', 'Oren'], {
      trials: [trial('Kip', 'athlete'), trial('Bram', 'athlete'), trial('Oren', 'reference')],
    });
    const squad = squadOf([both], [], []);
    expect(squad.map(({ name, sessions, asReference }) => [name, sessions.length, asReference.length])).toEqual([
      ['Bram', 1, 0],
      ['Kip', 1, 0],
      ['Oren', 0, 1],
    ]);
    expect(staleStandings([both], []).stale.map(({ athlete }) => athlete)).toEqual(['name:kip', 'name:bram']);
  });

  it('two of one name are two where a record says so, and a record may have no session yet', () => {
    const other = summary('d', '2026-02-02', ['Kip'], { performerKeys: ['kip-2'], athlete: 'kip-2' });
    const squad = squadOf([early, other], [record('kip-2', { squad: 'Seniors' }), record('new', { name: 'Ada' })], []);
    expect(squad.map(({ key, sessions }) => [key, sessions.length])).toEqual([
      ['new', 0],
      ['kip-2', 1],
      ['name:kip', 1],
      ['name:oren', 0],
    ]);
  });

  it('a damaged session hides nobody and shows nobody', () => {
    const damaged = summary('x', '', ['Kip'], { damage: 'no clips' });
    expect(squadOf([early, damaged], [], [])[0]!.sessions.map((s) => s.id)).toEqual(['a']);
  });

  it('is found by every word of name, squad or session, accents aside, and by movement', () => {
    const squad = squadOf([early, oren], [record('name:kip', { name: 'Kíp', squad: 'Colts' })], []);
    const find = (text: string, movement = ''): readonly string[] =>
      chosenOf(squad, { text, movement, squad: '' }, 'name').map(({ key }) => key);
    expect(find('kip colts')).toEqual(['name:kip']);
    expect(find('oren 2026-02')).toEqual(['name:oren']);
    expect(find('colts oren')).toEqual([]);
    expect(find('', 'race-walking')).toEqual([]);
    expect(sessionsNamed([early, oren], 'oren', '').map(({ id }) => id)).toEqual(['a', 'c']);
  });

  it('stands in the order of what is due; who has nothing due comes last', () => {
    const standings = [standing('name:kip', [early], '2026-05-01'), standing('name:oren', [oren], '2026-04-01')];
    const squad = squadOf([early, oren, summary('e', '2026-06-01', ['Ada'])], [], standings);
    const order = (by: 'due' | 'latest' | 'name'): readonly string[] =>
      chosenOf(squad, { text: '', movement: '', squad: '' }, by).map(({ name }) => name);
    expect(squad.map(dueOf)).toEqual([null, '2026-05-01', '2026-04-01']);
    expect(order('due')).toEqual(['Oren', 'Kip', 'Ada']);
    expect(order('latest')).toEqual(['Ada', 'Oren', 'Kip']);
    expect(order('name')).toEqual(['Ada', 'Kip', 'Oren']);
  });
});

describe('how somebody stands', () => {
  it('is measured again when a session of theirs is new, was changed or is gone, and only then', () => {
    const of = (sessions: readonly SessionSummary[]) =>
      staleStandings(sessions, [standing('name:kip', [early, late], null)]);
    expect(of([early, late])).toEqual({ stale: [], gone: [] });
    const third = summary('f', '2026-04-01', ['Kip']);
    for (const changed of [[early], [early, late, third], [early, { ...late, updatedAt: 'later' }]])
      expect(of(changed).stale.map(({ athlete }) => athlete)).toEqual(['name:kip']);
    expect(of([oren])).toMatchObject({ stale: [{ athlete: 'name:oren' }], gone: ['["name:kip","pace-delivery"]'] });
  });
});
