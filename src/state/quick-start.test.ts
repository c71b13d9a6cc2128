import { named, type Offered } from './quick-start';

const left: Offered = {
  performer: { name: 'Robin Vale', dominantSide: 'left', minor: true, segmentTable: 'female', consent: true },
  view: { kind: 'front', offPlaneDegrees: 4 },
  travel: 'left',
  slowed: 8,
};

it('who was here last time is taken as then', () => {
  expect(named(left, 'Robin Vale', true)).toEqual(left);
});

it('of somebody else the camera is taken as last time, and nothing of the performer', () => {
  const other = named(left, 'Sela Orr', false);
  expect(other).toMatchObject({ view: left.view, travel: 'left', slowed: 8 });
  expect(other.performer).toEqual({
    name: 'Sela Orr',
    dominantSide: 'right',
    minor: false,
    segmentTable: 'male',
    consent: false,
  });
});
