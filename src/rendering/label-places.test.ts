import fc from 'fast-check';
import { freePlaces } from './label-places';

test('labels that are apart stay where they are wanted', () => {
  const wanted = [
    { x: 0, y: 0, width: 40 },
    { x: 45, y: 0, width: 40 },
    { x: 0, y: 22, width: 40 },
  ];
  expect(freePlaces(wanted, 22)).toEqual(wanted);
});

test('one that would cover another goes below it, the next above', () => {
  const wanted = { x: 10, y: 100, width: 40 };
  expect(freePlaces([wanted, wanted, { ...wanted, x: 30 }], 22).map((p) => [p.x, p.y])).toEqual([
    [10, 100],
    [10, 122],
    [30, 78],
  ]);
});

test('a handful of labels never cover each other, wherever they are wanted', () => {
  const label = fc.record({
    x: fc.integer({ min: 0, max: 60 }),
    y: fc.integer({ min: 0, max: 10 }),
    width: fc.constantFrom(30, 50),
  });
  fc.assert(
    fc.property(fc.array(label, { maxLength: 4 }), (wanted) => {
      const places = freePlaces(wanted, 22);
      places.forEach((a, i) => expect(a.x).toBe(wanted[i]!.x));
      for (let i = 1; i < places.length; i++)
        for (let k = 0; k < i; k++)
          expect(
            Math.abs(places[i]!.x - places[k]!.x) >= (wanted[i]!.width + wanted[k]!.width) / 2 ||
              Math.abs(places[i]!.y - places[k]!.y) >= 22,
          ).toBe(true);
    }),
    { seed: 8, numRuns: 400 },
  );
});
