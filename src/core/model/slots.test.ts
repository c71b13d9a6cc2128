import { stickClip } from '../../../tests/fixtures/stick-performance';
import { rootOf, slotsOf } from './slots';

const to = (id: string) => ({ to: id, pairs: [] });
const clips = [
  stickClip({ id: 'r', role: 'reference' }),
  stickClip({ id: 'a' }),
  stickClip({ id: 'a-front', joined: to('a') }),
  stickClip({ id: 'r2', role: 'reference' }),
  stickClip({ id: 'r-top', role: 'reference', joined: to('r') }),
  stickClip({ id: 'a-back', joined: to('a') }),
];

describe('places on the bench', () => {
  it('are performances first, athletes before references, then further cameras', () => {
    expect(slotsOf(clips).map((s) => [s.id, s.clip.id, s.look])).toEqual([
      ['athlete', 'a', 'athlete'],
      ['reference', 'r', 'reference'],
      ['reference-2', 'r2', 'reference-2'],
      ['athlete-view-2', 'a-front', 'athlete'],
      ['athlete-view-3', 'a-back', 'athlete'],
      ['reference-view-2', 'r-top', 'reference'],
    ]);
  });

  it('stand alone where the first camera is gone or is itself joined to another', () => {
    const lost = stickClip({ id: 'x', joined: to('gone') });
    expect(rootOf([lost], lost)).toBe(lost);
    const chained = stickClip({ id: 'y', joined: to('a-front') });
    expect(rootOf([...clips, chained], chained)).toBe(chained);
  });
});
