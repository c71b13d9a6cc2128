import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import ts from 'typescript';

const root = path.join(import.meta.dirname, '..', '..');
/** Movements are data that coaches write, a usage is commands, and fonts, styles and files of others have their own. */
const NO_TEXT =
  /npm run falcon|Public Sans|grid-|charset=|^(id|key), |^(OFFSET|CHANNELS|End Site|ROOT)\b|-src '|'self'|^\/\*|<!doctype/;
/** Three words one after the other, or two of them and a full stop. */
const SENTENCE =
  /(^|[ \u201c(])[A-Za-z]{2,}[,;:]? [a-z]{2,}[,;:]? [a-z]{2,}|(^|[ \u201c(])[A-Za-z]{2,} [a-z]{2,}\.(?= |$)/;

const sources = ['src', 'cli', 'server'].flatMap((folder) =>
  readdirSync(path.join(root, folder), { recursive: true, encoding: 'utf8' })
    .map((name) => path.join(folder, name))
    .filter((name) => /(?<!\.test|\.d)\.tsx?$/.test(name) && !/^src\/(text|movements)\//.test(name)),
);

/** What stands in quotes in a file, but for what it imports, names of types, and what a fault of the program throws. */
function quotedIn(file: string): readonly string[] {
  const text = readFileSync(path.join(root, file), 'utf8');
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
  const quoted: string[] = [];
  const visit = (node: ts.Node): void => {
    if (ts.isImportDeclaration(node) || ts.isTypeNode(node)) return;
    if (ts.isNewExpression(node) && /^(\w*Error)$/.test(node.expression.getText(source))) return;
    if (ts.isStringLiteralLike(node)) quoted.push(node.text);
    if (ts.isTemplateExpression(node))
      quoted.push([node.head.text, ...node.templateSpans.map((span) => span.literal.text)].join('\u2026'));
    ts.forEachChild(node, visit);
  };
  visit(source);
  return quoted.map((said) => said.trim());
}

test('no sentence stands outside the catalogue', () => {
  const outside = sources.flatMap((file) =>
    quotedIn(file)
      .filter((said) => SENTENCE.test(said) && !NO_TEXT.test(said))
      .map((said) => `${file}: ${said}`),
  );
  expect(sources.length).toBeGreaterThan(500);
  expect(outside).toEqual([]);
});
