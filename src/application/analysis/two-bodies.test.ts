import { movementSchema } from '../../core/model/movement';
import { otherPerson, partnerOf } from '../../core/model/partner';
import { newSession, type Session } from '../../core/model/session';
import { placePoint, type Track } from '../../core/tracks/track';
import { techniqueWords } from '../../core/judgement/technique-words';
import { partnerThrow } from '../../movements/families/partner-throw';
import { derive } from './derived';
import { stickTrial } from '../../../tests/fixtures/stick-trial';

/** A throw of a partner that is one technique with the trunks across each other, and another with them in line. */
const movement = movementSchema.parse({
  schemaVersion: 1,
  id: 'throw',
  name: 'Throw',
  sport: 'Test',
  points: partnerThrow.points,
  moments: [
    { id: 'entry', name: 'Entry', key: '1', hint: '' },
    { id: 'lift', name: 'Lift', key: '2', hint: '' },
  ],
  phases: [{ from: 'entry', to: 'lift', name: 'Turn' }],
  measures: [
    {
      id: 'bodies',
      name: 'Angle between the trunks',
      kind: 'value',
      of: {
        type: 'line-separation',
        points: ['mid-hip', 'mid-shoulder'],
        from: ['own-partner-hip', 'own-partner-shoulder'],
      },
      region: 'trunk',
      plane: 'sagittal',
      at: 'lift',
      importance: 0.5,
      cost: 'weeks',
    },
    {
      id: 'below',
      name: 'Hips below the partner’s',
      kind: 'value',
      of: { type: 'offset', points: ['mid-hip', 'own-partner-hip'], axis: 'up' },
      region: 'hips',
      plane: 'sagittal',
      at: 'lift',
      importance: 0.9,
      cost: 'weeks',
    },
  ],
  schools: [
    {
      id: 'across',
      name: 'Across',
      because: 'the partner goes over the hip',
      targets: { below: { type: 'at-most', value: -10, source: 'test' } },
      when: { measure: 'bodies', from: -120, to: -60 },
    },
    {
      id: 'in-line',
      name: 'In line',
      because: 'the partner goes over the shoulder',
      targets: { below: { type: 'at-most', value: 30, source: 'test' } },
      when: { measure: 'bodies', from: 150, to: 210 },
    },
  ],
  causes: [],
  cautions: [],
});

const marks = { entry: 8, lift: 32 };
/** A body with its hips at a place and its trunk leaning by so much, degrees, forward positive. */
const body = (x: number, y: number, lean: number) => {
  const a = (lean * Math.PI) / 180;
  const up = (by: number): [number, number] => [x + by * Math.sin(a), y - by * Math.cos(a)];
  return (['left', 'right'] as const).reduce(
    (points, side) => ({
      ...points,
      [`${side}-hip`]: [x, y],
      [`${side}-shoulder`]: up(288),
      [`${side}-knee`]: [x, y + 245],
      [`${side}-ankle`]: [x, y + 491],
    }),
    {},
  );
};
/** Two people in one picture: one upright, the other leaning by so much. */
function pair(lean: number, change: Partial<Session['clips'][number]> = {}): Session {
  const one = stickTrial(() => body(400, 250, 0), marks);
  const two = stickTrial(() => body(500, 200, lean), marks);
  const clips = [
    { ...one.clip, id: 'tori' },
    { ...two.clip, id: 'uke', performer: otherPerson(one.clip.performer, 'Partner'), ...change },
  ];
  const all = Object.fromEntries(Object.entries(marks).map(([id, frame]) => [id, { frame, proposed: null }]));
  return {
    ...newSession('s', 'Pair', 'throw', '2026-01-01T00:00:00Z'),
    ownMovement: movement,
    clips,
    tracks: { tori: one.raw, uke: two.raw } as Session['tracks'],
    marks: { tori: all, uke: all },
  };
}
const angle = (session: Session): number | string => {
  const { athlete } = derive(session).judged[0]!;
  return athlete.measurable ? Math.round((athlete.value * 180) / Math.PI) : athlete.message;
};

describe('two bodies in one picture', () => {
  it('the angle between both is read from both people’s points, with nothing placed by hand', () => {
    expect(angle(pair(90))).toBe(90);
    expect(angle(pair(35))).toBe(35);
    const [, below] = derive(pair(90)).judged;
    // 50 pixels below, of a standing height of 1000.
    expect(below!.athlete.measurable && Math.round(below!.athlete.value * 1000)).toBe(-50);
  });

  it('what was placed by hand on the performer’s own clip stays', () => {
    const session = pair(90);
    const track = session.tracks['tori'] as Track;
    const hip = placePoint(track, 41, 'own-partner-hip', 32, 500, 400);
    expect(angle({ ...session, tracks: { ...session.tracks, tori: hip } as Session['tracks'] })).toBe(
      Math.round((Math.atan2(288, 200) * 180) / Math.PI),
    );
  });

  it('nobody else in the picture: the points are missing, and asked for', () => {
    expect(angle(pair(90, { mediaId: 'another' }))).toMatch(/partner/);
    expect(angle(pair(90, { part: { first: 3, last: 9 } as never }))).toMatch(/partner/);
  });

  it('of several others the partner is whom the analyst chose, else the first', () => {
    const session = pair(90);
    const third = stickTrial(() => body(520, 200, 35), marks);
    const base = { ...third.clip, id: 'spotter', performer: otherPerson(third.clip.performer, 'Spotter') };
    const three = (partnerId?: string): Session => ({
      ...session,
      clips: [{ ...session.clips[0]!, partnerId }, session.clips[1]!, base],
      tracks: { ...session.tracks, spotter: third.raw } as Session['tracks'],
      marks: { ...session.marks, spotter: session.marks['tori']! },
    });
    expect([angle(three()), angle(three('spotter')), angle(three('gone'))]).toEqual([90, 35, 90]);
  });

  it('another person of the picture has neither the record nor the height of the first', () => {
    const { performer } = stickTrial(() => body(400, 250, 0), marks).clip;
    const known = { ...performer, athleteId: 'a-record', heightMetres: 1.9 };
    expect(otherPerson(known, 'Partner')).toEqual({ ...performer, name: 'Partner' });
    const [one, two] = pair(90).clips;
    expect(
      partnerOf([one!, { ...two!, performer: otherPerson(known, 'Partner') }], { ...one!, performer: known })?.id,
    ).toBe('uke');
  });
});

describe('a technique that is named by an angle', () => {
  it('inside its limits it is that one, and its targets follow', () => {
    const across = derive(pair(-90));
    expect(across.school?.id).toBe('across');
    expect(across.judged[1]!.measure.target).toMatchObject({ value: -10 });
    const inLine = derive(pair(179));
    expect(inLine.school?.id).toBe('in-line');
    expect(inLine.judged[1]!.measure.target).toMatchObject({ value: 30 });
    expect(techniqueWords(movement, inLine.technique!)).toMatch(
      /^Measured as In line: Angle between the trunks, lift, 179° ± \d/,
    );
  });

  it('goes round: -170 lies inside 150 to 210', () => {
    expect(derive(pair(-170)).school?.id).toBe('in-line');
  });

  it('near a limit none is sure: nothing is judged by either, and it is said', () => {
    const near = derive(pair(-61));
    expect(near.school).toBeNull();
    expect(near.judged[1]!.measure.target).toBeUndefined();
    expect(techniqueWords(movement, near.technique!)).toMatch(/^No technique is sure: .*Across is \d+ % probable/);
  });

  it('the analyst’s word stands above the number', () => {
    expect(derive({ ...pair(-90), school: 'in-line' }).school?.id).toBe('in-line');
  });

  it('where the angle is not known none is named', () => {
    const unknown = derive(pair(90, { mediaId: 'another' }));
    expect(unknown.school).toBeNull();
    expect(techniqueWords(movement, unknown.technique!)).toMatch(/^No technique is named: /);
  });

  it('limits the wrong way round are refused in words', () => {
    const [first] = movement.schools;
    const wrong = { ...movement, schools: [{ ...first!, when: { measure: 'bodies', from: 60, to: 60 } }] };
    expect(movementSchema.safeParse(wrong).error?.issues[0]?.message).toContain('60 and 60');
    const unknown = { ...movement, schools: [{ ...first!, when: { measure: 'gone', from: 0, to: 60 } }] };
    expect(movementSchema.safeParse(unknown).success).toBe(false);
  });
});
