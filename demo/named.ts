import { FILMINGS } from './camera/moving';
import { FOLLOWED_CLIPS } from './followed';
import { DEMO_CLIPS, filmed, FURTHER_VIEWS, RENDERED_CLIPS, type DemoClip } from './scenario';
import { VARIED_CLIPS } from './varied';

/** A clip by its name, any of the demo's as filmed by a camera that moves among them; undefined where there is none. */
export function clipNamed(id: string): DemoClip | undefined {
  const known = [...RENDERED_CLIPS, ...FURTHER_VIEWS, ...VARIED_CLIPS, ...FOLLOWED_CLIPS].find(
    (clip) => clip.id === id,
  );
  if (known) return known;
  const filming = FILMINGS.find((way) => id.endsWith(`-${way}`));
  const still = filming && DEMO_CLIPS.find((clip) => id === `${clip.id}-${filming}`);
  return still && filmed(still.id, filming);
}
