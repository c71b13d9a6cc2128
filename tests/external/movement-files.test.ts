import { MOVEMENTS } from '../../src/movements';
import { movementJson } from '../../src/formats/movement-json/movement-json';

const read = (text: string) => movementJson.read(text, 'mine.movement.json');

test.each(MOVEMENTS.map((m) => [m.id, m] as const))('%s comes back as it was written', (_, movement) => {
  const back = read(movementJson.write(movement));
  expect(back).toEqual({ ok: true, value: movement });
});

test('a movement written by hand needs only what it says', () => {
  const back = read(
    JSON.stringify({
      schemaVersion: 1,
      id: 'gate',
      name: 'Gate',
      sport: 'Any',
      phases: [],
      measures: [],
      causes: [],
      cautions: [],
      moments: [
        { id: 'a', name: 'A', key: '1', hint: '' },
        { id: 'b', name: 'B', key: '2', hint: '' },
      ],
    }),
  );
  expect(back.ok && back.value.moments[0]!.rule).toBeNull();
});

test('says what is wrong, and in which measure', () => {
  const broken = JSON.parse(movementJson.write(MOVEMENTS[0]!)) as {
    movement: { measures: { at?: string; importance: number }[] };
  };
  broken.movement.measures[0]!.at = 'take-off';
  broken.movement.measures[1]!.importance = 7;
  const issues = read(JSON.stringify(broken));
  expect(!issues.ok && issues.issue.message).toContain('measures[2] (trunk-at-back-foot-contact).importance');
  broken.movement.measures[1]!.importance = 0.5;
  const moment = read(JSON.stringify(broken));
  expect(!moment.ok && moment.issue.message).toContain(
    'measures[1] (back-knee-at-back-foot-contact): “take-off” is not a moment of this movement',
  );
  expect(read('{')).toMatchObject({ ok: false, issue: { code: 'not-json' } });
  expect(read('{"a":1}')).toMatchObject({ ok: false, issue: { code: 'not-a-movement' } });
  expect(read('{"schemaVersion":2,"measures":[]}')).toMatchObject({ ok: false, issue: { code: 'wrong-version' } });
});

test('a movement of ten thousand moments is refused with words, at once', () => {
  const written = JSON.parse(movementJson.write(MOVEMENTS[0]!)) as { movement: { moments: { id: string }[] } };
  const [moment] = written.movement.moments;
  written.movement.moments.push(...Array.from({ length: 10_000 }, (_, i) => ({ ...moment!, id: `m${i}` })));
  const refused = read(JSON.stringify(written));
  expect(!refused.ok && refused.issue.message).toContain('A movement has at most 100 moments.');
});
