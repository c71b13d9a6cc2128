import { create } from 'zustand';

export interface Notice {
  readonly id: number;
  readonly severity: 'info' | 'error';
  readonly text: string;
  /** What can be done about it in one press. */
  readonly act: { readonly label: string; readonly run: () => void } | null;
}

export const useNotices = create<{ readonly notices: readonly Notice[] }>(() => ({ notices: [] }));

let next = 1;

/** Tells the user something without stopping the work. */
export function notify(severity: Notice['severity'], text: string, act: Notice['act'] = null): void {
  useNotices.setState((state) => ({ notices: [...state.notices.slice(-3), { id: next++, severity, text, act }] }));
}

export function dismiss(id: number): void {
  useNotices.setState((state) => ({ notices: state.notices.filter((notice) => notice.id !== id) }));
}
