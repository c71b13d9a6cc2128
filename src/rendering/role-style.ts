import type { StyleKey } from '../core/model/slots';

/**
 * Athletes and references differ in hue and in form, everywhere: the athlete is amber, solid, round; the reference is
 * blue, dashed, square. Further ones keep the form of their role and have a hue and a rhythm of their own.
 */
export interface RoleStyle {
  /** On pictures, and on paper or light panels. */
  readonly onPicture: string;
  readonly onPaper: string;
  readonly dash: readonly number[];
  readonly cap: 'round' | 'butt';
  readonly mark: 'circle' | 'square';
}

export const ROLE_STYLE: Readonly<Record<StyleKey, RoleStyle>> = {
  athlete: { onPicture: '#ffb454', onPaper: '#b45309', dash: [], cap: 'round', mark: 'circle' },
  'athlete-2': { onPicture: '#ff9db8', onPaper: '#a3365c', dash: [14, 3], cap: 'round', mark: 'circle' },
  'athlete-3': { onPicture: '#ecdc6a', onPaper: '#7a6a00', dash: [14, 3, 2, 3], cap: 'round', mark: 'circle' },
  'athlete-4': { onPicture: '#e8c9a8', onPaper: '#7b5a3a', dash: [2, 3], cap: 'round', mark: 'circle' },
  reference: { onPicture: '#9cc9ff', onPaper: '#1d5fa8', dash: [7, 4], cap: 'butt', mark: 'square' },
  'reference-2': { onPicture: '#cdb6ff', onPaper: '#6a3fb0', dash: [2, 3], cap: 'butt', mark: 'square' },
  'reference-3': { onPicture: '#8fe0d0', onPaper: '#0f6b5e', dash: [10, 3, 2, 3], cap: 'butt', mark: 'square' },
  'reference-4': { onPicture: '#d5d9e0', onPaper: '#545c61', dash: [4, 2], cap: 'butt', mark: 'square' },
};
