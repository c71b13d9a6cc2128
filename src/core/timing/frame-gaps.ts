/** Frames of each clip that cannot be decoded, by clip id. */
export type Gaps = Readonly<Record<string, readonly number[]>>;
type Frames = Readonly<Record<string, number>>;

/**
 * The same pictures with the next frame that may be shown for each clip that has none: onwards the way that it was
 * gone, or back where there is none.
 * @param wanted,shown frames by clip id
 * @param lost ids of the clips whose wanted frame cannot be decoded
 * @param counts frames of each clip
 * @returns null where a clip has no frame at all
 */
export function steppedOver(
  wanted: Frames,
  lost: readonly string[],
  { shown, gaps, counts }: { readonly shown: Frames; readonly gaps: Gaps; readonly counts: Frames },
): Frames | null {
  const next: Record<string, number> = { ...wanted };
  for (const id of lost) {
    const isThere = (frame: number): boolean => frame >= 0 && frame < counts[id]!;
    const free = (step: number): number => {
      let frame = wanted[id]!;
      while (isThere(frame) && gaps[id]?.includes(frame)) frame += step;
      return frame;
    };
    const by = wanted[id]! < (shown[id] ?? 0) ? -1 : 1;
    const frame = [free(by), free(-by)].find(isThere);
    if (frame === undefined) return null;
    next[id] = frame;
  }
  return next;
}
