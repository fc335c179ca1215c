/** The words of a PDF, page by page, read in a process of its own: the reader is a module that the tests' own loader does not take. */
import { spawnSync } from 'node:child_process';

export interface ReadPage {
  words: string;
  width: number;
  height: number;
}

const READER = `
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
const chunks = [];
for await (const chunk of process.stdin) chunks.push(chunk);
const pdf = await getDocument({ data: new Uint8Array(Buffer.concat(chunks)), verbosity: 0 }).promise;
const pages = [];
for (let k = 1; k <= pdf.numPages; k++) {
  const page = await pdf.getPage(k);
  const [, , width, height] = page.view;
  const { items } = await page.getTextContent();
  pages.push({ words: items.map(({ str }) => str).join(' ').replace(/\\s+/g, ' '), width, height });
}
console.log(JSON.stringify(pages));
`;

export function pagesOf(pdf: Buffer): ReadPage[] {
  const { stdout, stderr, status } = spawnSync(process.execPath, ['--input-type=module', '-e', READER], {
    input: pdf,
    maxBuffer: 1e8,
  });
  if (status !== 0) throw new Error(stderr.toString());
  return JSON.parse(stdout.toString()) as ReadPage[];
}
