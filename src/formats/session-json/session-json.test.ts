import { stickClip } from '../../../tests/fixtures/stick-trial';
import { newSession, type Session } from '../../core/model/session';
import { clearPoint, placePoint } from '../../core/tracks/track';
import { sessionJson } from './session-json';

function example(): Session {
  const session = newSession('s1', 'A \u201cname\u201d', 'pace-delivery', '2026-03-02T09:00:00.000Z');
  const clip = stickClip();
  const track = clearPoint(placePoint({}, 41, 'left-knee', 3, 12.345, 6.5), 41, 'left-knee', 4);
  return {
    ...session,
    clips: [clip],
    tracks: { [clip.id]: track } as Session['tracks'],
    marks: { [clip.id]: { release: { frame: 7.5, proposed: null } } },
  };
}
const write = (session: Session): string => sessionJson.write(session);
const read = (text: string) => sessionJson.read(text, 'file.falcon.json');

describe('session file', () => {
  it('comes back as it was written, missing samples too', () => {
    const session = example();
    const back = read(write(session));
    if (!back.ok) throw new Error(back.issue.message);
    expect(back.value.marks).toEqual(session.marks);
    const series = back.value.tracks['clip']!['left-knee']!;
    expect(series.x).toBeInstanceOf(Float64Array);
    expect(series.x[3]).toBeCloseTo(12.345, 9);
    expect(series.x[4]).toBeNaN();
    expect(Array.from(series.origin)).toEqual(Array.from(session.tracks['clip']!['left-knee']!.origin));
    expect(JSON.parse(write(back.value))).toEqual(JSON.parse(write(session)));
  });

  it('is recognised by its content', () => {
    expect(sessionJson.sniff(write(example()))).toBe(true);
    expect(sessionJson.sniff('{"a":1}')).toBe(false);
  });

  it.each([
    ['not-json', '{ "format": '],
    ['not-a-session', '{"format":"something"}'],
    ['not-a-session', '[]'],
    ['wrong-version', '{"format":"proud-falcon-session","session":{"schemaVersion":9}}'],
    ['invalid-session', '{"format":"proud-falcon-session","session":{"schemaVersion":1,"id":3}}'],
  ])('refuses what it cannot read: %s', (code, text) => {
    const result = read(text);
    expect(result).toMatchObject({ ok: false, issue: { code } });
    expect(!result.ok && result.issue.message).toContain('file.falcon.json');
  });

  it('quotes the version it does not know', () => {
    const result = read('{"format":"proud-falcon-session","session":{"schemaVersion":9}}');
    expect(!result.ok && result.issue.message).toContain('version 9');
  });
});
