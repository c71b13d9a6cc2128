/** A document whose parts were called otherwise when it was written, with today's names; anything else is left. */
export const withTodaysNames =
  (names: Readonly<Record<string, string>>) =>
  (document: unknown): unknown => {
    if (typeof document !== 'object' || document === null || Array.isArray(document)) return document;
    const rename = (name: string): string => (Object.hasOwn(names, name) ? names[name]! : name);
    return Object.fromEntries(Object.entries(document).map(([name, part]) => [rename(name), part]));
  };
