import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

/** The text of each page of a PDF, words apart by one space. */
export async function pagesOf(pdf: Uint8Array): Promise<string[]> {
  const document = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise;
  const pages: string[] = [];
  for (let k = 1; k <= document.numPages; k++) {
    const { items } = await (await document.getPage(k)).getTextContent();
    const text = items.map((item) => ('str' in item ? item.str : '')).join(' ');
    pages.push(text.replace(/\s+/g, ' '));
  }
  return pages;
}
