import { readMeasure } from '../../../tests/fixtures/measure';
import { stickTrial } from '../../../tests/fixtures/stick-trial';
import type { Clip } from '../model/clip';
import type { Measure } from '../model/measure';
import { notMeasurable, type Reading } from '../reading';
import { filmedWell, filmingRequests } from './filming';
import type { Judged } from './state';

/** Somebody who stands as high as wanted, pixels, in a picture 800 pixels high. */
const standing = (height: number, change: Partial<Clip> = {}) => {
  const at = (share: number): [number, number] => [500, 780 - share * height];
  return stickTrial(
    () => ({ 'left-shoulder': at(0.779), 'left-hip': at(0.491), 'left-knee': at(0.246), 'left-ankle': at(0) }),
    {},
    change,
  );
};
const measure = (id: string, more: object = {}): Measure =>
  readMeasure({
    id,
    name: id,
    kind: 'duration',
    region: 'timing',
    plane: 'any',
    from: 'a',
    to: 'b',
    importance: 0.5,
    cost: 'weeks',
    target: { type: 'same-as-reference', tolerance: 5, source: 'test' },
    ...more,
  });
const time: Reading = {
  measurable: true,
  value: 0.1,
  sd: 0.004,
  systematicSd: 0,
  unit: 'ms',
  provenance: { clipId: 'clip', frames: [1], points: [] },
};
const judged = (id: string, athlete: Reading, state: Judged['state'] = 'not-measurable'): Judged =>
  ({ measure: measure(id), athlete, reference: time, state }) as unknown as Judged;
const requests = (...args: Parameters<typeof filmingRequests>) => filmingRequests(...args).map((r) => r.request);

test('nothing is asked for where all is well', () => {
  expect(filmingRequests([judged('a', time, 'on-target')], standing(420), standing(430))).toEqual([]);
  expect(filmingRequests([], null, null)).toEqual([]);
});

test('what a camera could not see is asked for once, with all that it would make measurable', () => {
  const fromAbove = notMeasurable('wrong-view', 'Not measurable from the side', 'Film from above.');
  const found = filmingRequests(
    [
      judged('facing', fromAbove),
      judged('turn', fromAbove),
      judged('hidden', notMeasurable('point-missing', 'No knee', 'Place it.')),
    ],
    standing(420),
    null,
  );
  expect(found).toEqual([
    { request: 'Film from above.', because: 'Not measurable from the side', measures: ['facing', 'turn'] },
  ]);
});

test('cameras apart are asked to where their own view is square, never to another one', () => {
  const apart = (kind: 'back' | 'overhead'): string =>
    requests(
      [],
      standing(420, { view: { kind, offPlaneDegrees: 0 } }),
      standing(420, {
        view: { kind, offPlaneDegrees: 20 },
      }),
    )[0]!;
  expect(apart('back')).toBe('Stand where the reference\u2019s camera stood, straight behind the performer.');
  expect(apart('overhead')).toContain('straight above the performer');
});

test('somebody who goes to the left, filmed from as far ahead, is filmed alike', () => {
  const [toTheRight, toTheLeft] = [
    standing(420, { view: { kind: 'side', offPlaneDegrees: 15 } }),
    standing(420, { view: { kind: 'side', offPlaneDegrees: -15 }, travel: 'left' }),
  ];
  expect(requests([], toTheLeft, toTheRight)).toEqual([]);
  expect(requests([], toTheLeft, standing(420, { view: { kind: 'side', offPlaneDegrees: -15 } }))).toHaveLength(1);
});

test('a camera on a stand is asked to the height of the other', () => {
  const from = (downDegrees: number) => standing(420, { view: { kind: 'side', offPlaneDegrees: 0, downDegrees } });
  expect(filmingRequests([], from(18), from(3))).toEqual([
    {
      request: 'Film from the height of the reference\u2019s camera, or both from hip height.',
      because: 'The athlete\u2019s camera looks down by 15 degrees more than the other',
      measures: [],
    },
  ]);
  expect(filmingRequests([], from(18), from(12))).toEqual([]);
});

test('cameras that stand apart are to be brought together, of the same view only', () => {
  const oblique = standing(420, { view: { kind: 'side', offPlaneDegrees: 18 } });
  expect(filmingRequests([], standing(420), oblique)).toEqual([
    {
      request: expect.stringContaining('Stand where the reference'),
      because: 'The two cameras stand 18 degrees apart',
      measures: [],
    },
  ]);
  expect(filmingRequests([], standing(420), standing(420, { view: { kind: 'side', offPlaneDegrees: 9 } }))).toEqual([]);
  expect(filmingRequests([], standing(420), standing(420, { view: { kind: 'front', offPlaneDegrees: 40 } }))).toEqual(
    [],
  );
});

test('who is small in the picture is to be filmed from nearer, by how much', () => {
  // A quarter of the picture where half is wanted.
  expect(filmingRequests([], standing(200), standing(420))).toEqual([
    {
      request: 'Go 50 % nearer, or zoom in, so that the performer fills half of the picture\u2019s height.',
      because: 'The performer is 25 % of the picture\u2019s height',
      measures: [],
    },
  ]);
});

test('times that lie within their error are to be filmed faster, unless that was done', () => {
  const unsure = [judged('flight', time, 'within-error'), judged('contact', time, 'within-error')];
  const at = (captureRate: number) =>
    filmingRequests(
      unsure,
      standing(420, {
        captureRate,
        frameTimes: Float64Array.from({ length: 41 }, (_, i) => (i * 1e6) / captureRate),
        fileRate: captureRate,
      }),
      standing(420),
    );
  expect(at(60)).toEqual([
    {
      request: 'Film at 120 frames per second.',
      because: expect.stringMatching(/^At 60 frames per second a time is known to \u00b1\d+ ms$/),
      measures: ['flight', 'contact'],
    },
  ]);
  expect(at(120)[0]!.request).toBe('Film at 240 frames per second.');
  expect(at(240)).toEqual([]);
  expect(requests([judged('flight', time, 'on-target')], standing(420, { captureRate: 60 }), standing(420))).toEqual(
    [],
  );
});

test('only of what was read is it known that it was filmed well', () => {
  const guess = notMeasurable('unsure-moment', 'A guess', 'Confirm it.');
  const read = judged('a', time, 'on-target');
  expect(filmedWell([read, read], [])).toBe('Nothing to change: film it as this time.');
  expect(filmedWell([read, judged('b', guess), judged('c', guess)], [])).toContain('; 2 of 3 measures lack');
  expect(filmedWell([judged('b', guess)], [])).toBeNull();
  expect(filmedWell([read], [{ request: 'Go nearer.', because: 'Small', measures: [] }])).toBeNull();
});
