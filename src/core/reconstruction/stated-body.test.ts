import { bodyThrough } from './stated-body';

test('a body is not stated with errors that are none: unknowns that do not follow from the cameras are refused', () => {
  const adjusted = { layout: { size: 2 }, covariance: Float64Array.of(1, 2, 2, 1) };
  const solved = { adjusted, cameras: [], shared: [], whole: { ids: [] }, solved: { clocks: [] }, misfit: 1 };
  expect(bodyThrough(solved as never, {})).toMatchObject({ ok: false, issue: { code: 'undetermined' } });
});
