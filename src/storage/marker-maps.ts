import type { MarkerMap } from '../core/tracks/marker-map';
import { database } from './database';

/** Sets of markers are told apart by their names, whatever subject they belong to. */
const setOf = (names: readonly string[]): string =>
  names
    .map((name) => name.slice(name.lastIndexOf(':') + 1))
    .sort()
    .join('\n');

/** The mapping that was last used with the same set of markers, its names as they are now; null where there is none. */
export async function loadMarkerMap(names: readonly string[]): Promise<MarkerMap | null> {
  const stored = await database.markerMaps.get(setOf(names));
  if (!stored) return null;
  const now = new Map(names.map((name) => [name.slice(name.lastIndexOf(':') + 1), name]));
  return Object.fromEntries(
    (Object.entries(stored.map) as [string, readonly string[]][]).map(([id, markers]) => [
      id,
      markers.flatMap((m) => now.get(m.slice(m.lastIndexOf(':') + 1)) ?? []),
    ]),
  );
}

export const saveMarkerMap = async (names: readonly string[], map: MarkerMap): Promise<void> =>
  void (await database.markerMaps.put({ id: setOf(names), map }));

/** How many sets of markers are remembered, and forgetting them. */
export const countMarkerMaps = (): Promise<number> => database.markerMaps.count();
export const forgetMarkerMaps = (): Promise<void> => database.markerMaps.clear();
