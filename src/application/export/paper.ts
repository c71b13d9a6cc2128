import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { TEXT } from '../../text/application/export';

/** Parts of the report that can be left out; what it asks for and its cautions always stand. */
export const REPORT_PARTS = [
  { id: 'findings', name: TEXT.whatEyeFound },
  { id: 'practice', name: TEXT.practice },
  { id: 'since', name: TEXT.sinceEarlierSessions },
  { id: 'keep', name: TEXT.keep },
  { id: 'pictures', name: TEXT.picturesAtEveryMoment },
  { id: 'curves', name: TEXT.curves },
  { id: 'timing', name: TEXT.timing },
  { id: 'sheet', name: TEXT.criteriaSheet },
  { id: 'filming', name: TEXT.filmNextTime },
  { id: 'performers', name: TEXT.allPerformers },
  { id: 'measures', name: TEXT.allMeasures },
  { id: 'methods', name: TEXT.methods },
] as const;
export type ReportPart = (typeof REPORT_PARTS)[number]['id'];

/** Which parts each kind of reader is given. */
export const PAPERS = {
  coach: {
    name: TEXT.coachsReport,
    parts: ['findings', 'practice', 'since', 'keep', 'curves', 'timing', 'filming', 'performers'],
  },
  laboratory: { name: TEXT.laboratorysReport, parts: REPORT_PARTS.map(({ id }) => id) },
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
