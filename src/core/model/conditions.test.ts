import { byResult, resultText, setUpChanges, setUpOf, setUpSchema, type AttemptResult } from './conditions';

const attempt = (id: string, result: AttemptResult | null) => ({ id, result });

test('attempts from best to worst: far is good, late is not', () => {
  const far = [6.1, 6.4, 5.9].map((value, i) => attempt(`${i}`, { kind: 'distance', value }));
  expect(byResult(far).map(({ id }) => id)).toEqual(['1', '0', '2']);
  const late = [14.2, 13.9].map((value, i) => attempt(`${i}`, { kind: 'time', value }));
  expect(byResult(late).map(({ id }) => id)).toEqual(['1', '0']);
});

test('what has no result, or one of another kind, has no place in it', () => {
  const mixed = [
    attempt('none', null),
    attempt('a', { kind: 'load', value: 60 }),
    attempt('b', { kind: 'time', value: 1 }),
  ];
  expect(byResult(mixed).map(({ id }) => id)).toEqual(['a']);
  expect(byResult([attempt('none', null)])).toEqual([]);
});

test('results in words', () => {
  expect(resultText({ kind: 'distance', value: 6.42 })).toBe('6.42 m');
  expect(resultText({ kind: 'place', value: 3 })).toBe('place 3');
  expect(resultText({ kind: 'success', value: 0 })).toBe('no success');
});

test('an attempt overrules its session; a fact that only one session names is no change', () => {
  const session = [
    { what: 'Shoes', value: 'spikes' },
    { what: 'Wind', value: 'none' },
  ];
  const own = setUpOf(session, [{ what: 'shoes', value: 'flats' }]);
  expect(own).toEqual([
    { what: 'Wind', value: 'none' },
    { what: 'shoes', value: 'flats' },
  ]);
  const wet = [...own, { what: 'Surface', value: 'wet' }];
  expect(setUpChanges([session, wet])).toEqual([[], [{ what: 'shoes', before: 'spikes', now: 'flats' }]]);
  // A session in between that says nothing of it hides no change.
  expect(setUpChanges([session, [], wet, wet]).map((changes) => changes.length)).toEqual([0, 0, 1, 0]);
});

test('a fact is said once', () => {
  const twice = setUpSchema.safeParse([
    { what: 'Shoes', value: 'a' },
    { what: 'shoes', value: 'b' },
  ]);
  expect(twice.success).toBe(false);
});
