/** Smallest and largest of values, however many; infinite where there are none. */
export function extentOf(values: ArrayLike<number>): { readonly least: number; readonly most: number } {
  let [least, most] = [Infinity, -Infinity];
  for (let i = 0; i < values.length; i++) {
    if (values[i]! < least) least = values[i]!;
    if (values[i]! > most) most = values[i]!;
  }
  return { least, most };
}
