import { changedParts, partsOf, withoutParts, withParts } from './session-parts';

const samples = (n: number): object => ({ x: Float64Array.of(n), y: Float64Array.of(n) });
const document = {
  name: 'Nets',
  tracks: { a: { 'left-hip': samples(1), 'left-knee': samples(2) }, b: {} },
  spatial: { a: { 'left-hip': samples(3) } },
  detections: { a: { frames: samples(5), detectors: [samples(6)] } },
  digitisings: [{ id: 'd', track: { 'left-hip': samples(4) } }],
  notes: [{ id: 'n' }],
};

test('a document without its parts holds no samples, and is itself again with them', () => {
  const rest = withoutParts(document);
  expect(rest).toEqual({
    ...document,
    tracks: { a: { 'left-hip': null, 'left-knee': null }, b: {} },
    spatial: { a: { 'left-hip': null } },
    detections: { a: null },
    digitisings: [],
  });
  expect(withParts(rest, partsOf(document))).toEqual(document);
  // In whatever order the database gives them.
  const again = withParts(rest, [...partsOf(document)].reverse()) as typeof document;
  expect(again).toEqual(document);
  expect(Object.keys(again.tracks.a)).toEqual(['left-hip', 'left-knee']);
});

test('an edit stores what it changed and nothing else', () => {
  const moved = samples(9);
  const after = { ...document, tracks: { ...document.tracks, a: { ...document.tracks.a, 'left-hip': moved } } };
  expect(changedParts(document, after)).toEqual({
    put: [{ path: ['tracks', 'a', 'left-hip'], value: moved }],
    remove: [],
  });
  expect(changedParts(document, { ...document, name: 'Other' })).toEqual({ put: [], remove: [] });
});

test('what is gone is removed', () => {
  const after = { ...document, tracks: { a: { 'left-hip': document.tracks.a['left-hip'] } }, digitisings: [] };
  expect(changedParts(document, after)).toEqual({
    put: [],
    remove: [['tracks', 'a', 'left-knee'], ['digitisings']],
  });
});

test('a damaged document loses nothing', () => {
  for (const odd of [null, 7, 'text', [], { tracks: 3, spatial: [1], digitisings: 'x' }, { tracks: { a: 5, b: null } }])
    expect(withParts(withoutParts(odd), partsOf(odd))).toEqual(odd);
  const born = JSON.parse('{"tracks": {"__proto__": {"constructor": {"x": 1}}}}') as unknown;
  expect(JSON.stringify(withParts(withoutParts(born), partsOf(born)))).toBe(JSON.stringify(born));
});
