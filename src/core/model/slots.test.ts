import { stickClip } from '../../../tests/fixtures/stick-trial';
import { mainOf, slotsOf } from './slots';

const to = (id: string) => ({ to: id, pairs: [] });
const clips = [
  stickClip({ id: 'r', role: 'reference' }),
  stickClip({ id: 'a' }),
  stickClip({ id: 'a-front', sync: to('a') }),
  stickClip({ id: 'r2', role: 'reference' }),
  stickClip({ id: 'r-top', role: 'reference', sync: to('r') }),
  stickClip({ id: 'a-back', sync: to('a') }),
];

describe('places on the bench', () => {
  it('are performances first, athletes before references, then further cameras', () => {
    expect(slotsOf(clips).map((s) => [s.id, s.clip.id, s.styleKey])).toEqual([
      ['athlete', 'a', 'athlete'],
      ['reference', 'r', 'reference'],
      ['reference-2', 'r2', 'reference-2'],
      ['athlete-view-2', 'a-front', 'athlete'],
      ['athlete-view-3', 'a-back', 'athlete'],
      ['reference-view-2', 'r-top', 'reference'],
    ]);
  });

  it('stand alone where the first camera is gone or is itself joined to another', () => {
    const lost = stickClip({ id: 'x', sync: to('gone') });
    expect(mainOf([lost], lost)).toBe(lost);
    const chained = stickClip({ id: 'y', sync: to('a-front') });
    expect(mainOf([...clips, chained], chained)).toBe(chained);
  });
});
