// Reads a PDF from standard input and prints its pages: their words, width and height, points.
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
const chunks = [];
for await (const chunk of process.stdin) chunks.push(chunk);
const pdf = await getDocument({ data: new Uint8Array(Buffer.concat(chunks)), verbosity: 0 }).promise;
const pages = [];
for (let k = 1; k <= pdf.numPages; k++) {
  const page = await pdf.getPage(k);
  const [, , width, height] = page.view;
  const { items } = await page.getTextContent();
  pages.push({
    words: items
      .map(({ str }) => str)
      .join(' ')
      .replace(/\s+/g, ' '),
    width,
    height,
  });
}
console.log(JSON.stringify(pages));
