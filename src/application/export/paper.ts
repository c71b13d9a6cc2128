import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** Parts of the report that can be left out; what it asks for and its cautions always stand. */
export const REPORT_PARTS = [
  { id: 'findings', name: 'What the eye found' },
  { id: 'practice', name: 'Practice' },
  { id: 'since', name: 'Since earlier sessions' },
  { id: 'keep', name: 'Keep' },
  { id: 'pictures', name: 'Pictures at every moment' },
  { id: 'curves', name: 'Curves' },
  { id: 'timing', name: 'Timing' },
  { id: 'sheet', name: 'Criteria sheet' },
  { id: 'filming', name: 'Film next time' },
  { id: 'measures', name: 'All measures' },
  { id: 'methods', name: 'Methods' },
] as const;
export type ReportPart = (typeof REPORT_PARTS)[number]['id'];

/** Which parts each kind of reader is given. */
export const PAPERS = {
  coach: {
    name: 'Coach\u2019s report',
    parts: ['findings', 'practice', 'since', 'keep', 'curves', 'timing', 'filming'],
  },
  laboratory: { name: 'Laboratory\u2019s report', parts: REPORT_PARTS.map(({ id }) => id) },
} as const satisfies Record<string, { readonly name: string; readonly parts: readonly ReportPart[] }>;

export type PaperSize = 'a4' | 'letter';

export interface PaperChoice {
  readonly size: PaperSize;
  readonly parts: readonly ReportPart[];
  /** A club's name over the report, and a line under it; empty where none is wanted. */
  readonly club: string;
  readonly foot: string;
}

/** How this browser prints reports, for every session. */
export const usePaper = create<PaperChoice>()(
  persist(
    (): PaperChoice => ({
      size: 'a4',
      parts: REPORT_PARTS.map(({ id }) => id).filter((id) => id !== 'methods'),
      club: '',
      foot: '',
    }),
    {
      name: 'proud-falcon-paper',
      // What an older version kept of a part that is gone says nothing.
      merge: (kept, usual) => {
        const { size = usual.size, parts = usual.parts, club = '', foot = '' } = (kept ?? {}) as Partial<PaperChoice>;
        return { size, parts: REPORT_PARTS.map(({ id }) => id).filter((id) => parts.includes(id)), club, foot };
      },
    },
  ),
);

export function setPaper(patch: Partial<PaperChoice>): void {
  usePaper.setState(patch);
}

export function togglePart(part: ReportPart): void {
  const { parts } = usePaper.getState();
  setPaper({
    parts: REPORT_PARTS.map(({ id }) => id).filter((id) => (id === part ? !parts.includes(id) : parts.includes(id))),
  });
}
