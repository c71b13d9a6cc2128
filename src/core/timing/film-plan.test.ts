import fc from 'fast-check';
import { planFilm, type FilmWish } from './film-plan';

const wish: FilmWish = {
  from: 1,
  to: 3,
  speed: 0.5,
  rate: 30,
  stops: [
    { id: 'b', at: 2.51 },
    { id: 'a', at: 1.2 },
    { id: 'outside', at: 3.4 },
  ],
  stopSeconds: 1.5,
};

test('a film lasts as long as its stretches at its speed and its stops', () => {
  const film = planFilm(wish);
  expect(film).toHaveLength((2 / 0.5 + 2 * 1.5) * 30 + 1);
  expect(film[0]).toEqual({ at: 1, stop: null });
  expect(film.at(-1)).toEqual({ at: 3, stop: null });
});

test('it stands still exactly at each moment, in their order', () => {
  const film = planFilm(wish);
  const stops = film.filter((p) => p.stop !== null);
  expect([...new Set(stops.map((p) => `${p.stop} ${p.at}`))]).toEqual(['a 1.2', 'b 2.51']);
  expect(stops.filter((p) => p.stop === 'a')).toHaveLength(45);
});

test('without stops it runs through at an even pace', () => {
  const film = planFilm({ ...wish, stops: [] });
  const steps = film.slice(1).map((p, i) => p.at - film[i]!.at);
  expect(Math.max(...steps)).toBeCloseTo(0.5 / 30, 9);
  expect(Math.min(...steps)).toBeCloseTo(0.5 / 30, 9);
});

test('time never runs back, and a moment has a picture even where the film is too quick for one', () => {
  fc.assert(
    fc.property(
      fc.record({
        speed: fc.constantFrom(0.0625, 0.25, 1, 2),
        rate: fc.constantFrom(24, 30, 60),
        stopSeconds: fc.double({ min: 0, max: 2, noNaN: true }),
        at: fc.array(fc.double({ min: 0, max: 2, noNaN: true }), { maxLength: 6 }),
      }),
      ({ at, ...rest }) => {
        const film = planFilm({ ...rest, from: 0.2, to: 1.7, stops: at.map((t, i) => ({ id: String(i), at: t })) });
        expect(film.findIndex((p, i) => i > 0 && p.at < film[i - 1]!.at)).toBe(-1);
        at.forEach((t, i) => expect(film.some((p) => p.stop === String(i) && p.at === t)).toBe(t >= 0.2 && t <= 1.7));
      },
    ),
    { seed: 4, numRuns: 200 },
  );
});
