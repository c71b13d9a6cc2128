import { create } from 'zustand';

/** Why what is on the screen is not stored yet; it is tried again until it is. */
export const useSaving = create<{ readonly problem: string | null }>(() => ({ problem: null }));

/** What is being stored now, until all of it is; null where all is. */
let saving: Promise<void> | null = null;

export const isSaving = (): boolean => saving !== null;
/** Told in the same turn in which it begins and ends: a change in between would wait for ever. */
export const setSaving = (now: Promise<void> | null): void => {
  saving = now;
};

/** Resolves when all that was changed is stored. */
export async function whenStored(): Promise<void> {
  while (saving) await saving;
}
