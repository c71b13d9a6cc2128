import fc from 'fast-check';
import { stickClip } from '../../../tests/fixtures/stick-trial';
import { checkSession, faultOfChange, repairSession } from './check-session';
import { newSession, type Session } from './session';

const FRESH = { id: 'fresh', now: '2026-01-02T00:00:00Z' };
const sound = (change: object = {}): Session =>
  ({
    ...newSession('s', 'Sound', 'race-walking', '2026-01-01T00:00:00Z'),
    clips: [stickClip({ id: 'a' }), stickClip({ id: 'b' })],
    marks: { a: { contact: { frame: 3, proposed: null } } },
    ...change,
  }) as Session;
const points = (n: number): Session['tracks'][string] => ({
  nose: {
    x: new Float64Array(n),
    y: new Float64Array(n),
    confidence: new Float32Array(n),
    origin: new Uint8Array(n),
  },
});

describe('a session that makes no sense is refused, quoting what is wrong', () => {
  it.each([
    ['two clips of one id', { clips: [stickClip({ id: 'a' }), stickClip({ id: 'a' })] }, /clips 2: Two clips.*“a”/],
    ['a track of another length', { tracks: { a: points(7) } }, /tracks a: .*samples/],
    ['a camera of no clip', { clips: [stickClip({ sync: { to: 'gone', pairs: [] } })] }, /clips 1 sync/],
    ['times that stand still', { clips: [stickClip({ frameTimes: Float64Array.of(0, 5, 5) })] }, /clips 1 frameTimes/],
    ['no frames', { clips: [stickClip({ frameTimes: new Float64Array(0) })] }, /clips 1 frameTimes/],
    ['a rate of 1e9', { clips: [stickClip({ captureRate: 1e9 })] }, /clips 1 captureRate: .*10000/],
    ['a picture of a kilometre', { clips: [stickClip({ width: 1e6 })] }, /clips 1 width: .*32768/],
    ['an id that leaves the address', { id: '../a' }, /id: /],
    ['an empty id', { id: '' }, /id: /],
    [
      'a moment with a name that objects are born with',
      { marks: { a: { constructor: { frame: 1, proposed: null } } } },
      /reserved/,
    ],
    ['a clip of such a name', { clips: [stickClip({ id: 'valueOf' })] }, /reserved/],
    [
      'a repetition that is not there',
      { repetitions: { a: { all: [{}], chosen: 4, average: false } } },
      /repetitions a/,
    ],
    ['an endless moment', { marks: { a: { contact: { frame: Infinity, proposed: null } } } }, /marks a contact frame/],
  ])('%s', (_, change, message) => {
    const checked = checkSession(sound(change));
    expect(checked).toMatchObject({ ok: false, issue: { message: expect.stringMatching(message) } });
  });
});

describe('repair', () => {
  it('drops what cannot be read, names it, and keeps the rest', () => {
    const long = 'n'.repeat(130);
    const bad = sound({
      clips: [
        stickClip({ id: 'a' }),
        { ...stickClip({ id: 'b' }), performer: { ...stickClip().performer, name: long } },
      ],
      marks: { a: { contact: { frame: 3, proposed: null }, ['__proto__x']: { frame: 'two' } } },
      tracks: { a: points(7) },
      notes: [{ id: 'n', kind: 'good', text: 'high arm', clipId: 'a', frame: 2, region: null }, 5],
    });
    const repaired = repairSession(bad, FRESH)!;
    expect(repaired.session.clips.map((c) => c.id)).toEqual(['a']);
    expect(repaired.session.marks).toEqual({ a: { contact: { frame: 3, proposed: null } } });
    expect(repaired.session.tracks).toEqual({});
    expect(repaired.session.notes.map((n) => n.text)).toEqual(['high arm']);
    expect(repaired.dropped.join('\n')).toMatch(/clips 2/);
    expect(repaired.dropped.join('\n')).toMatch(/tracks a/);
    expect(repaired.dropped).toHaveLength(4);
  });

  it('gives an id and a time to what has none, and leaves a sound one as it is', () => {
    expect(repairSession(sound({ id: '..', cutoff: 'low' }), FRESH)!.session).toMatchObject({
      id: 'fresh',
      cutoff: 20,
    });
    expect(repairSession(sound(), FRESH)).toEqual({ session: sound(), dropped: [] });
  });

  it('does not make one of what is something else, or of a newer version', () => {
    for (const value of [null, 7, [], {}, { schemaVersion: 1 }, sound({ schemaVersion: 2 })])
      expect(repairSession(value, FRESH)).toBeNull();
  });

  it('ends with a session that opens, or with none, whatever one value of it is', () => {
    const paths = [
      'id',
      'name',
      'clips',
      'tracks',
      'marks',
      'notes',
      'repetitions',
      'referenceModel',
      'ownMovement',
      'order',
    ];
    fc.assert(
      fc.property(fc.constantFrom(...paths), fc.anything({ maxDepth: 3 }), (key, value) => {
        const repaired = repairSession(sound({ [key]: value }), FRESH);
        if (repaired) expect(checkSession(repaired.session).ok).toBe(true);
      }),
      { numRuns: 300, seed: 5 },
    );
  });
});

test('a change is refused for what it touched, with words', () => {
  const before = sound();
  expect(faultOfChange(before, { ...before, impressions: 'falls' })).toBeNull();
  const named = {
    ...before,
    clips: [
      before.clips[0]!,
      { ...before.clips[1]!, performer: { ...before.clips[1]!.performer, name: 'n'.repeat(130) } },
    ],
  };
  expect(faultOfChange(before, named)).toMatch(/clips 2 performer name: A name has at most 120 characters/);
  expect(faultOfChange(before, { ...before, clips: [] })).toBeNull();
});
