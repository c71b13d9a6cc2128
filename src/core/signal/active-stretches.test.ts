import { activeStretches, type Activity } from './active-stretches';

/** Every half second of a minute: a little noise, and more within some stretches. */
const recording = (active: readonly (readonly [number, number])[], times: number): Activity[] =>
  Array.from({ length: 120 }, (_, i) => {
    const at = i / 2;
    const busy = active.some(([from, to]) => at > from && at <= to);
    return { at, amount: (1 + 0.2 * Math.sin(7 * i)) * (busy ? times : 1) };
  });

test('attempts are the stretches in which more happens, with some quiet round them', () => {
  expect(
    activeStretches(
      recording(
        [
          [5, 8],
          [20, 24],
          [58, 60],
        ],
        5,
      ),
    ),
  ).toEqual([
    { from: 4.25, to: 8.75 },
    { from: 19.25, to: 24.75 },
    { from: 57.25, to: 59.5 },
  ]);
});

test('a short pause within an attempt does not part it', () => {
  expect(
    activeStretches(
      recording(
        [
          [5, 8],
          [9, 11],
        ],
        5,
      ),
    ),
  ).toEqual([{ from: 4.25, to: 11.75 }]);
});

test('found also where most of the time something happens', () => {
  expect(
    activeStretches(
      recording(
        [
          [0, 25],
          [35, 60],
        ],
        8,
      ),
    ).map(({ from, to }) => [from, to]),
  ).toEqual([
    [0, 25.75],
    [34.25, 59.5],
  ]);
});

test('nothing is proposed where nothing stands out, or nothing moves at all', () => {
  expect(activeStretches(recording([], 1))).toEqual([]);
  expect(activeStretches(recording([], 1).map(({ at }) => ({ at, amount: 0 })))).toEqual([]);
  expect(activeStretches([])).toEqual([]);
});
