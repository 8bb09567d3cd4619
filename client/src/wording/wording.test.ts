import ts from 'typescript';
import { expect, it } from 'vitest';

const sources = import.meta.glob<string>(['../**/*.{ts,tsx}', '!../**/*.test.ts', '!../api/schema.gen.ts'], {
  query: '?raw',
  import: 'default',
  eager: true,
});

/** Words that no student reads: names in the browser's store and channels, selectors; and whose sample world it is. */
const unread = new Set([
  'hour-grid.',
  'unsaved.',
  'signed out',
  'sketch …',
  'picks …',
  'main h1',
  'button, input',
  'Saltmere University',
]);

/** Names of keys as the browser gives them, and of errors. */
const browserNames = /^(Arrow\w+|Enter|Escape|Home|End|Delete|Backspace|AbortError|NaN)$/;

/** Classes of styles, as in "flex gap-2": words of a sentence seldom have a dash or bracket in them. */
function isStyle(text: string): boolean {
  const words = text.trim().split(/\s+/);
  return words.filter((word) => /[-[:]/.test(word.slice(0, -1))).length * 2 >= words.length && /-/.test(text);
}

/** Attributes whose values the browser reads, not the student. */
const technical =
  /^(className|id|key|name|type|role|side|align|to|href|rel|target|d|viewBox|aria-(live|haspopup|keyshortcuts)|htmlFor|autoComplete|inputMode|preserveAspectRatio)$/;

const isSentence = (text: string) =>
  /[A-Za-z’”],? [A-Za-z“]|^[A-Z][a-z’]|[a-z]{2}\.$|[a-z]: ?$|^,? [a-z]|[a-z],? $/.test(text);

/** What is made for a student to read in a file: its line, and the words. */
function wordsIn(file: string, source: string): string[] {
  const tree = ts.createSourceFile(file, source, ts.ScriptTarget.Latest, true, ts.ScriptKind.TSX);
  const found: string[] = [];
  const report = (node: ts.Node, text: string) => {
    const { line } = tree.getLineAndCharacterOfPosition(node.getStart(tree));
    found.push(`${file}:${line + 1} ${text}`);
  };
  const see = (node: ts.Node): void => {
    if (ts.isImportDeclaration(node) || ts.isTypeNode(node)) return;
    if (isForTheDeveloper(node)) return;
    if (ts.isJsxText(node) && /[A-Za-z]/.test(node.text)) report(node, node.text.trim());
    if (ts.isJsxAttribute(node)) {
      const tag = node.parent.parent.tagName.getText(tree);
      const name = node.name.getText(tree);
      // The name of a component of ours is shown; that of an element is for the form.
      if (technical.test(name) && !(name === 'name' && /^[A-Z]/.test(tag))) return;
      if (name.startsWith('data-')) return;
    }
    if (ts.isStringLiteralLike(node) && !isCompared(node) && isShown(node.text)) report(node, node.text);
    if (ts.isTemplateExpression(node)) {
      const words = [node.head.text, ...node.templateSpans.map((span) => span.literal.text)];
      const whole = words.join('…');
      if (isShown(words.join('x')) && words.some(hasWord) && !unread.has(whole)) report(node, whole);
    }
    ts.forEachChild(node, see);
  };
  see(tree);
  return found;
}

function isShown(text: string): boolean {
  if (browserNames.test(text) || unread.has(text) || isStyle(text)) return false;
  return !/^[.#[]|\[role|calc\(|translate|color-mix|T12:00/.test(text) && isSentence(text);
}

/** A piece of a template in which a word stands apart from what is put in. */
function hasWord(piece: string): boolean {
  return /[A-Za-z]{2}/.test(piece) && /[ .,:]/.test(piece);
}

function isCompared(node: ts.Node): boolean {
  return ts.isBinaryExpression(node.parent) && /^[!=]==$/.test(node.parent.operatorToken.getText());
}

/** Errors that only a mistake in this code throws. */
function isForTheDeveloper(node: ts.Node): boolean {
  return ts.isNewExpression(node) && node.expression.getText() === 'Error';
}

it('makes every sentence here, and none elsewhere', () => {
  const elsewhere = Object.entries(sources)
    .filter(([file]) => !file.startsWith('./'))
    .flatMap(([file, source]) => wordsIn(file, source));
  expect(elsewhere).toEqual([]);
});

it('would find a sentence', () => {
  const source = `
    const title = 'No course is taken';
    const count = (n: number) => \`\${n} courses\`;
    export const One = () => <p className="flex gap-2" title="Week shapes">over</p>;
  `;
  expect(wordsIn('one.tsx', source)).toEqual([
    'one.tsx:2 No course is taken',
    'one.tsx:3 … courses',
    'one.tsx:4 Week shapes',
    'one.tsx:4 over',
  ]);
});
