import { stickClip } from '../../../tests/fixtures/stick-trial';
import { named, offeredOf, type Named, type Offered } from './quick-start';

const left: Offered = {
  performer: { name: 'Robin Vale', dominantSide: 'left', minor: true, segmentTable: 'female', consent: true },
  view: { kind: 'front', offPlaneDegrees: 4 },
  travel: 'left',
  slowed: 8,
};

const who = (name: string, minor: boolean, more: Partial<Named> = {}): Named => ({
  name,
  athleteId: undefined,
  record: null,
  minor,
  ...more,
});

it('a camera is on the side of last time; its angles are not known', () => {
  const view = {
    kind: 'back',
    offPlaneDegrees: 12,
    offPlaneSdDegrees: 0.5,
    downDegrees: 9,
    downSdDegrees: 0.5,
  } as const;
  expect(offeredOf(stickClip({ view })).view).toEqual({ kind: 'back', offPlaneDegrees: null });
});

it('who was here last time is taken as then', () => {
  expect(named(left, who('Robin Vale', true))).toEqual(left);
});

it('of somebody else the camera is taken as last time, and nothing of the performer', () => {
  const other = named(left, who('Sela Orr', false));
  expect(other).toMatchObject({ view: left.view, travel: 'left', slowed: 8 });
  expect(other.performer).toEqual({
    name: 'Sela Orr',
    dominantSide: 'right',
    minor: false,
    segmentTable: 'male',
    consent: false,
  });
});

it('another person of the same name is somebody else, of whom the record tells', () => {
  const record = { dominantSide: 'right', segmentTable: 'female' } as Named['record'];
  const other = named(left, who('Robin Vale', false, { athleteId: 'r2', record }));
  expect(other.performer).toEqual({
    athleteId: 'r2',
    name: 'Robin Vale',
    dominantSide: 'right',
    minor: false,
    segmentTable: 'female',
    consent: false,
  });
});
