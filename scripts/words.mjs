// Every word that the application says, by kind, on one page to be read together: `npm run words` writes it from the code.
import { execFileSync } from 'node:child_process';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import ts from 'typescript';
import { ROOT } from './lib/run.mjs';

const PAGE = join(ROOT, '.cache', 'words.md');

/** Kinds of words, and where each is said; a file is of the first that fits. */
const KINDS = [
  ['The verdict', /^core\/src\/verdict\//],
  ['Snags: what is said of each, why, and what helps', /^core\/src\/snags\//],
  ['Fixes and sizing', /^core\/src\/design\//],
  ['What a job is made of', /^core\/src\/job\/kinds\//],
  ['Makes, forms, surfaces and soils', /^core\/src\/(catalogue|ground|site|rain|runoff)\//],
  [
    'Wrong input',
    /^core\/src\/(job|units|field|formats|price|quantities|days|clearances|yard)\/|^client\/src\/input\//,
  ],
  ['Workings', /^core\/src\/(words\/workings|sums)\//],
  ['Sentences', /^core\/src\//],
  ['Sheets: forms and panels', /^client\/src\/(elements|parts)\//],
  ['Stations', /^client\/src\/stations\//],
  ['Drawings', /^client\/src\/drawing\//],
  ['Pages', /^client\/src\/app\//],
  ['Everything else on the screen', /^client\/src\//],
  ['What the server says', /^server\/src\//],
];

const LEFT_OUT =
  /\.test\.tsx?$|\/testing\/|^core\/src\/(samples|verification|trial)\/|^server\/src\/(commands|migrations|sql)|\.d\.ts$/;

/** Names of what is never read by anybody: what follows them is left out. */
const SILENT =
  /^(id|idStem|kind|code|source|testID|key|href|pathname|name|type|d|viewBox|fontFamily|nativeID|role|accessibilityRole|mode|replaces|nonNull|transform|points|format|method|path|keyboardType|inputMode)$/;
const SILENT_CALLS =
  /^(require|import|prepare|exec|pragma|useMemo|step|getItem|setItem|describe|fetch|literal|enum|startsWith|endsWith|includes|split|join|replace|replaceAll|match|test|get|has|set|querySelector|getElementById|addEventListener|removeEventListener|createObjectStore|transaction|log|error|warn|debug|RegExp)$/;

/** Whether a text is words for people, by its look: more than one of them, or one that begins with a capital. */
function isWords(text, labelled) {
  const plain = text.replaceAll('…', ' ').trim();
  if (!/[A-Za-zÀ-ÿ]{2}/.test(plain)) return false;
  if (/^[a-z0-9_./:#@-]+$/i.test(plain) && !/^[A-Z][a-z]+(-[a-z]+)*[.:?]?$/.test(plain) && !labelled) return false;
  if (/^[a-z]+[A-Z]\w*$|^input:/.test(plain)) return false;
  if (/^(SELECT|INSERT|UPDATE|DELETE|CREATE|BEGIN|PRAGMA|ALTER|WITH)\b/.test(plain)) return false;
  if (/[{}<>=\\]|\$\{|=>|^\S+\/\S+$|^[MLHVZAQC][\d\s.-]/.test(plain)) return false;
  return labelled || /\s/.test(plain) || /^[A-Z]/.test(plain);
}

/** A sentence with `…` where a name or a number stands in it. */
function textOf(node) {
  if (ts.isStringLiteralLike(node)) return node.text;
  if (ts.isTemplateExpression(node))
    return node.head.text + node.templateSpans.map(({ literal }) => `…${literal.text}`).join('');
  return null;
}

const LABEL =
  /^(label|title|hint|note|says|about|short|headline|why|instead|placeholder|accessibilityLabel|called|groundLabel|quickLabel|heading|empty|message|detail|reason)$/;

function silentIn(node) {
  const { parent } = node;
  if (ts.isImportDeclaration(parent) || ts.isExportDeclaration(parent) || ts.isLiteralTypeNode(parent)) return true;
  if (ts.isPropertyAssignment(parent)) {
    if (parent.name === node) return true;
    return SILENT.test(parent.name.getText());
  }
  if (ts.isJsxAttribute(parent)) return SILENT.test(parent.name.getText());
  if (ts.isElementAccessExpression(parent) || ts.isCaseClause(parent)) return true;
  if (ts.isBinaryExpression(parent) && /^(===?|!==?)$/.test(parent.operatorToken.getText())) return true;
  if (ts.isCallExpression(parent) || ts.isNewExpression(parent)) {
    const called = parent.expression;
    const name = ts.isPropertyAccessExpression(called) ? called.name.text : called.getText();
    return SILENT_CALLS.test(name) && parent.arguments?.includes(node) === true;
  }
  return false;
}

function labelledIn({ parent }) {
  const named = ts.isPropertyAssignment(parent) || ts.isJsxAttribute(parent) ? parent.name.getText() : '';
  return LABEL.test(named);
}

/** Words of one file, each once, in its order. */
function wordsOf(file) {
  const source = ts.createSourceFile(
    file,
    readFileSync(join(ROOT, file), 'utf8'),
    ts.ScriptTarget.Latest,
    true,
    file.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS,
  );
  const found = new Set();
  const visit = (node) => {
    if (ts.isJsxText(node)) {
      const text = node.text.replaceAll(/\s+/g, ' ').trim();
      if (/[A-Za-z]/.test(text)) found.add(text);
      return;
    }
    const text = textOf(node);
    if (text !== null && !silentIn(node) && isWords(text, labelledIn(node)))
      found.add(text.replaceAll(/\s+/g, ' ').trim());
    ts.forEachChild(node, visit);
  };
  visit(source);
  return [...found];
}

const files = execFileSync('git', ['ls-files', '-co', '--exclude-standard', 'core/src', 'client/src', 'server/src'], {
  cwd: ROOT,
  encoding: 'utf8',
})
  .split('\n')
  .filter((file) => /\.tsx?$/.test(file) && !LEFT_OUT.test(file))
  .sort();

const sections = new Map(KINDS.map(([title]) => [title, []]));
let count = 0;
for (const file of files) {
  const kind = KINDS.find(([, where]) => where.test(file));
  if (!kind) continue;
  const words = wordsOf(file);
  count += words.length;
  if (words.length > 0) sections.get(kind[0]).push(`### ${file}\n\n${words.map((each) => `- ${each}`).join('\n')}\n`);
}

const page = [
  '# Every word that it says',
  '',
  'Written by `npm run words`, from the code. `…` stands where a name or a number is put in. Read a kind of them aloud, one after the other, as a crew lead would say them.',
  '',
  ...[...sections].filter(([, parts]) => parts.length > 0).flatMap(([title, parts]) => [`## ${title}`, '', ...parts]),
].join('\n');

mkdirSync(dirname(PAGE), { recursive: true });
writeFileSync(PAGE, page);
console.log(`${count} texts of ${files.length} files, in .cache/words.md`);
