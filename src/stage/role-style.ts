import type { Role } from '../core/model/clip';

/**
 * Athlete and reference differ in hue and in form, everywhere: the athlete is amber, solid, round; the reference is
 * blue, dashed, square.
 */
export interface RoleStyle {
  /** On pictures, and on paper or light panels. */
  readonly onPicture: string;
  readonly onPaper: string;
  readonly dash: readonly number[];
  readonly cap: 'round' | 'butt';
  readonly mark: 'circle' | 'square';
}

export const ROLE_STYLE: Readonly<Record<Role, RoleStyle>> = {
  athlete: { onPicture: '#ffb454', onPaper: '#b45309', dash: [], cap: 'round', mark: 'circle' },
  reference: { onPicture: '#9cc9ff', onPaper: '#1d5fa8', dash: [7, 4], cap: 'butt', mark: 'square' },
};
