import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';

const files = readdirSync(import.meta.dirname, { recursive: true, encoding: 'utf8' }).filter(
  (name) => name.endsWith('.ts') && !name.endsWith('.test.ts'),
);

type Text = string | ((...args: readonly unknown[]) => string);

/** Every text, with something in the place of what is told in it. */
async function textsOf(file: string): Promise<readonly (readonly [string, string])[]> {
  const { TEXT } = (await import(path.join(import.meta.dirname, file))) as { TEXT: Readonly<Record<string, Text>> };
  return Object.entries(TEXT).map(([key, text]) => [
    key,
    typeof text === 'string' ? text : text(...Array.from({ length: text.length }, (_, i) => `x${i}`)),
  ]);
}

test('every catalogue is found', () => {
  expect(files.length).toBeGreaterThan(20);
});

test.each(files)('what %s says is what is read: no escapes, no double blanks, nothing empty', async (file) => {
  for (const [key, text] of await textsOf(file)) {
    expect([key, text.trim()]).not.toEqual([key, '']);
    expect(`${key}:${text}`).not.toMatch(/\\|&\w+;|[^ ]  +[^ ]|undefined|\bNaN\b/);
    // Typed apostrophes and quotes of a keyboard beside the real ones; commands and JSON are typed with them.
    if (!/npm run|"release"/.test(text)) expect(`${key}:${text}`).not.toMatch(/\w'\w|"\w/);
  }
});

test.each(files)('what %s tells of stands in its sentence', async (file) => {
  const { TEXT } = (await import(path.join(import.meta.dirname, file))) as { TEXT: Readonly<Record<string, Text>> };
  for (const [key, text] of Object.entries(TEXT)) {
    if (typeof text === 'string') continue;
    const said = text(...Array.from({ length: text.length }, (_, i) => `x${i}`));
    for (let i = 0; i < text.length; i++) expect(`${key}:${said}`).toContain(`x${i}`);
  }
});

test('every text is said somewhere', async () => {
  const root = path.join(import.meta.dirname, '..', '..');
  const said = new Set<string>();
  for (const folder of ['src', 'cli', 'server'])
    for (const name of readdirSync(path.join(root, folder), { recursive: true, encoding: 'utf8' })) {
      if (!/\.tsx?$/.test(name) || (folder === 'src' && name.startsWith('text'))) continue;
      const source = readFileSync(path.join(root, folder, name), 'utf8');
      const from = /import \{ TEXT \} from '([^']+)';/.exec(source)?.[1];
      if (from === undefined) continue;
      const file = path.relative(import.meta.dirname, path.join(root, folder, path.dirname(name), from));
      for (const [, key] of source.matchAll(/\bTEXT\.(\w+)/g)) said.add(`${file}.ts ${key}`);
    }
  const texts = await Promise.all(files.map(async (file) => (await textsOf(file)).map(([key]) => `${file} ${key}`)));
  expect(texts.flat().filter((text) => !said.has(text))).toEqual([]);
});
