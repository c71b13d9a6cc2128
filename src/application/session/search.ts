/** As it is compared: without accents and case. */
const plain = (text: string): string => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();

/** Whether every word of a search stands in one of some texts; a search without words finds everything. */
export function holdsWords(search: string, texts: readonly string[]): boolean {
  const words = plain(search).split(/\s+/).filter(Boolean);
  if (words.length === 0) return true;
  const said = plain(texts.join(' '));
  return words.every((word) => said.includes(word));
}
